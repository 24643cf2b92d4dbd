{{-- Tables for one's own tool: columns chosen, renamed and kept; the key stays, so that importing again doubles no row. --}}
@props(['recipes', 'fields', 'what', 'keep', 'take', 'drop'])
<details class="recipes" @if ($errors->has('columns') || $errors->has('name')) open @endif>
    <summary class="cursor-pointer">For my own table tool{{ $recipes->isEmpty() ? '' : ': ' . $recipes->count() . ' ' . Str::plural('recipe', $recipes->count()) }}</summary>
    @foreach ($recipes as $recipe)
        <x-recipe-line :recipe="$recipe" :take="$take($recipe)" :drop="$drop($recipe)" />
    @endforeach
    <form class="grid gap-2" method="post" action="{{ $keep }}">@csrf
        <label class="block">New recipe <input class="input" name="name" required maxlength="80" value="{{ old('name') }}"></label>
        @error('name')
            <p class="field-error">{{ $message }}</p>
        @enderror
        <label class="block">Columns, one a line: field = heading
            <textarea class="input input-mono" name="columns" rows="6" required spellcheck="false">{{ old('columns', implode("\n", [...$fields, 'change'])) }}</textarea>
        </label> @error('columns')
            <p class="field-error">{{ $message }}</p>
        @enderror
        <p class="quiet">Take out what is not wanted; what is left goes out in this order, of the {{ $what }} shown.
            <code>year = Year | text</code> says what a column is: text, number, date or link. The first field is the key: it stays the same for
            good, so that importing again changes rows and doubles none.</p>
        <div class="row"><select class="input" name="format" aria-label="Format">
                <option value="csv">CSV</option>
                <option value="xlsx">XLSX</option>
            </select> <button class="button">Keep the recipe</button></div>
    </form>
</details>
