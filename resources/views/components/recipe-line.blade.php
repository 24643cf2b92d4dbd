{{-- A kept recipe: taken whole, or what changed since it was last used. --}}
@props(['recipe', 'of' => '', 'take', 'drop'])
<div class="recipe">
    <p><strong>{{ $recipe->name }}</strong> <span class="quiet">{{ strtoupper($recipe->format) }}, {{ count($recipe->columns) }}
            {{ Str::plural('column', count($recipe->columns)) }}{{ $of === '' ? '' : ", {$of}" }}</span></p>
    <form class="row" method="post" data-gives-file action="{{ $take }}">@csrf
        <button class="button">All</button> <button class="button" name="changed" value="1">Only what changed</button>
        <button class="button button-plain" form="drop-{{ $recipe->id }}">Drop it</button>
    </form>
    <form id="drop-{{ $recipe->id }}" method="post" action="{{ $drop }}">@csrf
        @method('delete')</form>
</div>
