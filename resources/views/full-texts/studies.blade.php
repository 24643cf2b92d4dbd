<x-page title="Studies" :review="$review" stage="full-texts" place="studies">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Studies and their reports</h1> <span>{{ number_format($reports) }} included
                    {{ $reports === 1 ? 'report tells' : 'reports tell' }} of {{ number_format(count($studies)) }}
                    {{ count($studies) === 1 ? 'study' : 'studies' }}</span>
            </header>
            @if ($studies === [])
                <x-empty title="No report is included yet">Reports come here when they are included in the last stage. Those that tell of the
                    same study are then linked, and the flow counts reports and studies apart.</x-empty>
            @else
                @can('obtain', $review)
                    <form id="link" method="post" action="{{ route('studies.link', $review) }}" class="section line-up">@csrf <label>Name
                            <input class="input" name="name" maxlength="200" placeholder="first author and year"></label> <button
                            class="button button-go">Link the ticked ones as one study</button></form>
                @endcan
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col"><span class="visually-hidden">Choose</span></th>
                            <th scope="col">Report</th>
                            <th scope="col">Journal</th>
                            <th scope="col" class="number">Year</th>
                            <th scope="col"><span class="visually-hidden">Do</span></th>
                        </tr>
                    </thead>
                    @foreach ($studies as $study)
                        <tbody @if ($study->id) class="study" @endif>
                            @if ($study->id)
                                <tr>
                                    <th colspan="5" scope="rowgroup">
                                        <div class="line-up">
                                            @can('obtain', $review)
                                                <form method="post" action="{{ route('studies.rename', [$review, $study->id]) }}">@csrf
                                                    @method('put') <input class="input" name="name" value="{{ $study->name }}"
                                                        maxlength="200" aria-label="Name of the study"></form>
                                            @else
                                                {{ $study->name }}
                                            @endcan <span class="small quiet font-normal">one study, {{ count($study->reports) }}
                                                reports</span>
                                        </div>
                                    </th>
                                </tr>
                            @endif
                            @foreach ($study->reports as $report)
                                <tr>
                                    <td>
                                        @can('obtain', $review)
                                            <input type="checkbox" form="link" name="reports[]" value="{{ $report->id }}"
                                                aria-label="{{ $report->title }}">
                                        @endcan
                                    </td>
                                    <td><a class="title-link"
                                            href="{{ route('publications.show', [$review, $report->id]) }}">{{ $report->title }}</a><br><span
                                            class="small quiet">{{ Str::limit($report->authors, 80) }}</span></td>
                                    <td><bdi>{{ $report->journal }}</bdi></td>
                                    <td class="number">{{ $report->year }}</td>
                                    <td>
                                        @if ($study->id)
                                            @can('obtain', $review)
                                                <form method="post" action="{{ route('studies.take-out', [$review, $report->id]) }}">@csrf
                                                    @method('delete') <button class="button button-plain">Unlink<span class="visually-hidden">:
                                                            {{ $report->title }}</span></button></form>
                                            @endcan
                                        @endif
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    @endforeach
                </table>
            @endif
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>May be of one study</h2> <span>nothing is linked by itself</span>
            </header>
            @if ($leads === [])
                <p class="section small quiet">No two included reports share a registration number, or authors and what they tell.</p>
            @endif
            @foreach (array_slice($leads, 0, 20) as $lead)
                <form class="section" method="post" action="{{ route('studies.link', $review) }}">@csrf
                    @foreach ($lead->reports as $report)
                        <input type="hidden" name="reports[]" value="{{ $report->id }}">
                        <p><a class="title-link" href="{{ route('publications.show', [$review, $report->id]) }}">{{ $report->title }}</a>
                            <span class="small quiet">{{ $report->year }}</span></p>
                    @endforeach
                    <p class="small mt-1"><span class="confidence">{{ $lead->confidence }}</span> {{ implode(' ', $lead->because) }}
                    </p>
                    @can('obtain', $review)
                        <button class="button mt-1">They are of one study</button>
                    @endcan
                </form>
            @endforeach
        </section>
    </div>
</x-page>
