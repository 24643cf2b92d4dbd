<x-page title="Search report" :review="$review" stage="searches" place="searches.report">
    <div class="desk">
        <section class="sheet report">
            <header class="sheet-head"><h1>Search report</h1> <span>computed from what was done; nothing in it is typed</span>
                <span class="end no-print"><a class="button" href="{{ route('searches.report.download', [$review, 'docx']) }}">DOCX</a> <a class="button" href="{{ route('searches.report.download', [$review, 'txt']) }}">Text</a></span></header>
            <div class="sheet-body">@include('searches.report-body')</div>
        </section>
    </div>
</x-page>
