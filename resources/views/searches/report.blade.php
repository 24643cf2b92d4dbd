@use('App\Queries\Searches\SearchReport')
<x-page title="Search report" :review="$review" stage="searches" place="searches.report">
    <div class="desk desk-side">
        <section class="sheet report">
            <header class="sheet-head">
                <h1>Search report</h1> <span>its numbers are computed from what was done, and are those of the flow diagram</span>
                <span class="end no-print"><a class="button" href="{{ route('searches.report.download', [$review, 'docx']) }}">DOCX</a> <a
                        class="button" href="{{ route('searches.report.download', [$review, 'txt']) }}">Text</a></span>
            </header>
            <div class="sheet-body">@include('searches.report-body')</div>
        </section>
        <section class="sheet no-print" id="say">
            <header class="sheet-head">
                <h2>What only you can say</h2>
            </header>
            @if ($report->unsaid() !== [])
                <p class="section small">Not said yet: {{ implode(', ', array_map(lcfirst(...), $report->unsaid())) }}. Write “none” where
                    nothing was done; a reader cannot tell that from silence.</p>
            @endif
            @can('search', $review)
                <form class="sheet-body" method="post" action="{{ route('searches.report.update', $review) }}">@csrf @method('put')
                    <x-shown :of="$review->search_notes" />
                    @foreach (SearchReport::TYPED as $key => [$item, $name, $asks])
                        <x-field :name="$key" :label="$name . ' (item ' . $item . ')'" :help="$asks . '.'">
                            <textarea class="input" id="{{ $key }}" name="{{ $key }}" rows="2" maxlength="4000"
                                aria-describedby="{{ $key }}-help">{{ old($key, $report->notes[$key] ?? '') }}</textarea>
                        </x-field>
                    @endforeach
                    <button class="button button-go">Save</button>
                </form>
            @endcan
        </section>
    </div>
</x-page>
