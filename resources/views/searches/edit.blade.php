<x-page title="New search" :review="$review" stage="searches">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head"><h1>New search</h1></header>
            <x-search-editor :review="$review" :sources="$sources" :action="route('searches.store', $review)" />
        </section>
        @include('searches.language')
    </div>
</x-page>
