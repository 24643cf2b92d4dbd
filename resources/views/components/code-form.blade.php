@use('WaryHeron\Core\Coding\CodeType')
@props(['action', 'code' => null, 'method' => 'post'])
@php($id = $code->id ?? 'new')
<form method="post" action="{{ $action }}">
    @csrf @method($method)
    <div class="row mb-3">
        <div class="field grow"><label for="label-{{ $id }}">Item</label><input class="input" id="label-{{ $id }}"
                name="label" value="{{ $code->label ?? old('label') }}" maxlength="120" required></div>
        <div class="field"><label for="type-{{ $id }}">Answer</label><select class="input" id="type-{{ $id }}"
                name="type">
                @foreach (['choice' => 'one of several', 'choices' => 'any of several', 'number' => 'number',
                    'text' => 'text', 'date' => 'date'] as $value => $label)
                    <option value="{{ $value }}" @selected(($code?->type->value ?? old('type')) === $value)>{{ $label }}</option>
                @endforeach
            </select></div>
        <div class="field"><label for="unit-{{ $id }}">Unit, for numbers</label><input class="input"
                id="unit-{{ $id }}" name="unit" value="{{ $code->unit ?? old('unit') }}" maxlength="40" size="8"></div>
    </div>
    <div class="field"><label for="guidance-{{ $id }}">Guidance for coders</label>
        <textarea class="input" id="guidance-{{ $id }}" name="guidance" rows="2" maxlength="1000">{{ $code->guidance ?? old('guidance') }}</textarea>
    </div>
    <div class="field"><label for="options-{{ $id }}">Options, one on each line</label>
        <textarea class="input" id="options-{{ $id }}" name="options" rows="3">{{ $code ? implode("\n", $code->options) : old('options') }}</textarea>
    </div>
    <button class="button {{ $code ? '' : 'button-go' }}">{{ $code ? 'Save' : 'Add to the codebook' }}</button>
    @if ($code)
        <button class="button button-plain" name="do" value="retire" formnovalidate>Retire it</button>
    @endif
</form>
