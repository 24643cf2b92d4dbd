{{-- Tables for one's own tool: each recipe names its columns, keeps its filter, and tells what changed since it was last used. --}}
@props(['review', 'recipes', 'kept', 'filters'])
@use('App\Actions\Library\ExportByRecipe')
@foreach ($recipes as $recipe)
    <x-recipe-line :recipe="$recipe" :of="$recipe->filter === [] ? 'all publications' : 'of those ' . $recipe->filter_words"
        :take="route('recipes.export', [$review, $recipe])" :drop="route('recipes.destroy', [$review, $recipe])" />
@endforeach
<form class="grid gap-2" method="post" action="{{ route('recipes.store', [$review, ...$kept]) }}">@csrf
    <label class="block">New recipe <input class="input" name="name" required maxlength="80" value="{{ old('name') }}"></label>
    @error('name')
        <p class="field-error">{{ $message }}</p>
    @enderror
    <p class="quiet">It keeps what is shown now:
        {{ ! $filters->isAny() ? 'all publications' : implode(', ', $filters->words()) }}.</p>
    <label class="block">Columns, one a line: field = heading
        <textarea class="input input-mono" name="columns" rows="6" required spellcheck="false">{{ old('columns',
            "id = id\ntitle = Title\nauthors = Authors\nyear = Year\ndoi = DOI\nchange = Change") }}</textarea>
    </label> @error('columns')
        <p class="field-error">{{ $message }}</p>
    @enderror
    <p class="quiet">Fields:
        {{ implode(', ', array_keys([...ExportByRecipe::FIELDS, ...\App\Queries\Library\RecipeFacts::answerFields($review)])) }}. Years go out as
        numbers, days as dates, DOIs as links; <code>year = Year | text</code> says otherwise. The id stays the same for good, so that
        importing again makes no duplicates.</p>
    <div class="row"><select class="input" name="format" aria-label="Format">
            <option value="csv">CSV</option>
            <option value="xlsx">XLSX</option>
        </select> <button class="button">Keep the recipe</button></div>
</form>
