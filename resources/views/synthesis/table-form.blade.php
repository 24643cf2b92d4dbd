{{-- What stands in a table of studies, how it is grouped and ordered. --}}
@use('App\Queries\Coding\Table\TableRows')
@use('WaryHeron\Core\Synthesis\Table\TableDefinition')
<div class="field"><label for="table-title">Name of the table</label><input class="input" id="table-title" name="title"
        value="{{ old('title', $title) }}" maxlength="200"></div>
@error('columns')
    <p class="field-error" role="alert">{{ $message }}</p>
@enderror
@foreach ($items->groupBy('section') as $section => $of)
    <fieldset class="choices">
        <legend class="small quiet">{{ $section ?: 'Items' }}</legend>
        @foreach ($of as $item)
            <label class="block"><input type="checkbox" name="columns[]" value="item:{{ $item->id }}" @checked($terms->has('item', $item->id))>
                {{ $item->label }}</label>
        @endforeach
    </fieldset>
@endforeach
@if ($outcomes->isNotEmpty())
    <fieldset class="choices">
        <legend class="small quiet">Outcomes</legend>
        @foreach ($outcomes as $outcome)
            <label class="block"><input type="checkbox" name="columns[]" value="outcome:{{ $outcome->id }}" @checked($terms->has('outcome', $outcome->id))>
                {{ $outcome->name }}</label>
        @endforeach
    </fieldset>
@endif
@if ($themes !== [])
    <fieldset class="choices">
        <legend class="small quiet">Passages under themes</legend>
        @foreach ($themes as $theme)
            <label class="block in-{{ min(3, $theme->depth) }}"><input type="checkbox" name="columns[]" value="theme:{{ $theme->id }}"
                    @checked($terms->has('theme', $theme->id))> {{ $theme->name }}</label>
        @endforeach
    </fieldset>
@endif
<div class="field mt-3"><label for="table-groups">Put together by</label><select class="input" id="table-groups" name="groups">
        <option value="">nothing: one list</option>
        @foreach ($items as $item)
            @if ($item->code()->choosable() !== [])
                <option value="{{ $item->id }}" @selected($terms->groups === $item->id)>{{ $item->label }}</option>
            @endif
        @endforeach
    </select></div>
<div class="field"><label for="table-sort">In order of</label><select class="input" id="table-sort" name="sort">
        @foreach (['author' => 'first author', 'year' => 'year', 'title' => 'title'] as $sort => $words)
            <option value="{{ $sort }}" @selected($terms->sort === $sort)>{{ $words }}</option>
        @endforeach
        @foreach ($items as $item)
            <option value="{{ $item->id }}" @selected($terms->sort === $item->id)>{{ $item->label }}</option>
        @endforeach
    </select> <label class="small"><input type="checkbox" name="down" value="1" @checked($terms->descending)> the last first</label></div>
<fieldset class="choices">
    <legend class="small quiet">With each cell</legend>
    @foreach (TableDefinition::PARTS as $part)
        <label class="block"><input type="checkbox" name="parts[]" value="{{ $part }}" @checked(in_array($part, $terms->parts, true))>
            {{ TableRows::PARTS[$part] }}</label>
    @endforeach
</fieldset>
<div class="field mt-3"><label for="table-subset">Studies</label><select class="input" id="table-subset" name="subset">
        <option value="">all that are included</option>
        <option value="{{ TableDefinition::IN_DEPTH }}" @selected($terms->subset === TableDefinition::IN_DEPTH)>of the in-depth subset</option>
    </select></div>
