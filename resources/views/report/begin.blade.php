<x-page title="Report" :review="$review" stage="report" place="report.text">
    <section class="sheet">
        <header class="sheet-head">
            <h1>Report</h1>
        </header>
        <div class="sheet-body reading-width">
            <p>The report begins with the sections that the reporting standard for reviews asks for, and with what the review knows already: question, criteria,
                searches, flow, studies, plots. You write between them, alone or together; when something changes in the review, what shows it is marked.</p>
            @can('write', $review)
                <form class="mt-3" method="post" action="{{ route('report.begin', $review) }}">@csrf <button class="button button-go">Begin the
                        report</button></form>
            @else
                <p class="quiet">Nobody has begun it yet.</p>
            @endcan
        </div>
    </section>
</x-page>
