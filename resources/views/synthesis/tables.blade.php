<x-page title="Tables" :review="$review" stage="synthesis" place="tables">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Tables</h1> <span>kept as definitions, run again on what there is</span>
            </header>
            @forelse ($tables as $table)
                @php($asked = $table->asked())
                <div class="section">
                    <p><a class="title-link" href="{{ route('tables.show', [$review, $table]) }}">{{ $table->title }}</a></p>
                    @php($by = $items->has($asked->groups) ? ", by {$items[$asked->groups]->label}" : '')
                    <p class="small quiet">{{ count($asked->columns) }} {{ Str::plural('column', count($asked->columns)) }}{{ $by }}, kept
                        {{ $table->updated_at->format('j M Y') }}</p>
                </div>
            @empty
                <x-empty title="No table is kept yet">Choose items, outcomes and themes as columns. The table is run again each time it is opened, on
                    all studies or on those you narrow it to.</x-empty>
            @endforelse
        </section>
        @can('code', $review)
            <section class="sheet">
                <header class="sheet-head">
                    <h2>New table</h2>
                </header>
                <form class="sheet-body" method="post" action="{{ route('tables.store', $review) }}">@csrf
                    @include('synthesis.table-form', ['terms' => new WaryHeron\Core\Synthesis\Table\TableDefinition([]), 'title' => ''])
                    <div class="form-foot"><button class="button button-go">Make it</button></div>
                </form>
            </section>
        @endcan
    </div>
</x-page>
