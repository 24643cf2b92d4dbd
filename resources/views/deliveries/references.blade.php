<x-page title="Reference lists" :review="$review" stage="records" place="deliveries">
    <div class="desk desk-side">
        <section class="sheet" @if ($isAtWork) data-reload-when-done @endif>
            <header class="sheet-head">
                <h1>Reference lists</h1> <span>what the included reports cite, taken from their full texts</span>
            </header>
            @if ($sources->reports->isEmpty())
                <x-empty title="No report is included yet">Once reports are included and their full texts are here, what they cite is taken from their
                    pages and delivered like any other source.</x-empty>
            @else
                <form method="post" action="{{ route('deliveries.references.take', $review) }}">@csrf
                    @if ($mayTake && $sources->allOpen() !== [])
                        <p class="sheet-body row"><button class="button button-go" @disabled($isAtWork)>Take the lists that are ticked</button>
                            @if ($isAtWork)
                                <span class="small quiet">Lists are being taken; the line above tells how it goes.</span>
                            @endif
                            @error('copies')
                                <span class="field-error" role="alert">{{ $message }}</span>
                            @enderror
                        </p>
                    @endif
                    <table class="table">
                        <thead>
                            <tr>
                                <th scope="col"><span class="visually-hidden">Take it</span></th>
                                <th scope="col">Report</th>
                                <th scope="col" class="whitespace-nowrap">Its list</th>
                                <th scope="col" class="number">Kept</th>
                                <th scope="col" class="number">Rejected</th>
                                <th scope="col" class="number">New</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($sources->reports as $report)
                                <tr>
                                    <td>
                                        @if ($mayTake && $sources->open($report) !== null)
                                            <input type="checkbox" name="copies[]" value="{{ $sources->open($report) }}" checked
                                                aria-label="Take the list of {{ $report->called() }}">
                                        @endif
                                    </td>
                                    <td><a href="{{ route('publications.show', [$review, $report]) }}"><bdi>{{ $report->called() }}</bdi></a><br><span
                                            class="small quiet">{{ $report->title }}</span></td>
                                    @if (($delivery = $sources->delivered($report)) !== null)
                                        <td><a href="{{ route('deliveries.show', [$review, $delivery]) }}">{{ $delivery->created_at->format('j M Y') }}</a>
                                            <x-delivery-state :delivery="$delivery" /></td>
                                        <td class="number">{{ number_format($delivery->kept) }}</td>
                                        <td class="number">{{ number_format($delivery->rejected) }}</td>
                                        <td class="number">{{ number_format($delivery->new) }}</td>
                                    @else
                                        <td class="quiet" colspan="4">{{ $sources->open($report) === null ? 'no full text that could be read' : 'not taken' }}
                                        </td>
                                    @endif
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </form>
            @endif
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>What happens</h2>
            </header>
            <div class="sheet-body small grid gap-3">
                <p>The list at the end of each paper is read line by line, in most printed styles. Each list becomes a delivery of its own; what cannot be
                    told apart is rejected there, as it stands, and can be mended or withdrawn.</p>
                <p>What is here already is joined as with any delivery. The flow diagram counts the rest as found by citation searching.</p>
                <p><a href="{{ route('deliveries', $review) }}">All deliveries</a></p>
            </div>
        </section>
    </div>
</x-page>
