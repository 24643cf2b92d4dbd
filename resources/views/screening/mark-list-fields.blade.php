@php($id = $list->id ?? 'new')
<label class="field-label" for="name-{{ $id }}">
    Name</label><input class="input" id="name-{{ $id }}" name="name" maxlength="80" value="{{ $list->name ?? old('name') }}"
    placeholder="Not people" required>
<fieldset class="mt-2">
    <legend class="field-label">These words speak</legend>
    <div class="choices"><label><input type="radio" name="stance" value="for" @checked(($list->stance ?? old('stance',
        'for')) === 'for')> for</label><label><input
                type="radio" name="stance" value="against" @checked(($list->stance ?? old('stance')) === 'against')> against</label></div>
</fieldset>
<label class="field-label mt-2" for="criterion-{{ $id }}">What</label><select class="input" id="criterion-{{ $id }}"
    name="criterion">
    <option value="">including, on the whole</option>
    @foreach ($criteria as $criterion)
        <option value="{{ $criterion->id }}" @selected(($list->criterion_id
            ?? old('criterion')) === $criterion->id)>{{ Str::limit($criterion->question, 70) }}</option>
    @endforeach
</select>
<label class="field-label mt-2" for="words-{{ $id }}">Words, one or one phrase a line</label>
<textarea class="input input-mono" id="words-{{ $id }}" name="words" rows="6" maxlength="8000" spellcheck="false" required
    placeholder="mouse&#10;rat*&#10;&quot;animal model&quot;">{{ $list->words ?? old('words') }}</textarea>
<p class="field-help">As in a query: light* takes any ending, "night shift" is a phrase, light NEAR/3 box marks both.</p>
@if ($list === null)
    @foreach (['name', 'words', 'criterion'] as $field)
        @error($field)
            <p class="field-error" role="alert">{{ $message }}</p>
        @enderror
    @endforeach
@endif
