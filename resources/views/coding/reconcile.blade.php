<x-page title="Reconcile" :review="$review" stage="coding" place="reconcile">
    @php($mayCode = Gate::allows('code', $review))
    <div class="desk desk-side" x-data="keyed">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Reconcile</h1> <span>{{ number_format(count($open)) }} {{ count($open) === 1 ? 'answer differs' : 'answers differ' }}</span>
                <span class="end">
                    <a href="{{ route('reconcile.results', $review) }}">{{ $results }} {{ Str::plural('result', $results) }}</a>
                    @if ($one)
                        @if ($at > 0)
                            <a class="button" href="{{ route('reconcile', [$review, 'at' => $at]) }}" data-key="K" data-does="The one before">Before
                                <kbd>K</kbd></a>
                        @endif
                        <span>{{ $at + 1 }} of {{ count($open) }}</span>
                        @if ($at + 1 < count($open))
                            <a class="button" href="{{ route('reconcile', [$review, 'at' => $at + 2]) }}" data-key="J"
                                data-does="The next one">Next <kbd>J</kbd></a>
                        @endif
                    @endif
                </span>
            </header>
            @if ($review->coded_by === 1)
                <x-empty title="One person codes each study">Where two code it apart, their differences come here. The lead sets that in <a
                        href="{{ route('codebook', $review) }}">the codebook</a>.</x-empty>
            @elseif ($one === null)
                <x-empty title="Nothing differs">An item comes here when two have answered it and differ. What both answered alike counts
                    at once; what only one has answered is nobody else’s to see.</x-empty>
            @else
                <div class="section">
                    <p class="small quiet"><a href="{{ route('coding.show', [$review, $one->publication->id]) }}#item-{{ App\Queries\Coding\AnswerSlot::keyOf($one->code->id, $one->part ?: null) }}">{{ Str::before($one->publication->authors, ';') }}
                            {{ $one->publication->year }}</a> · <bdi>{{ $one->publication->title }}</bdi></p>
                    <h2 class="reconcile-item">{{ $one->code->label }}@if ($part !== '')
                            <span class="code-part">{{ $one->code->per }}: {{ $part }}</span>
                        @endif
                    </h2>
                    <p class="small">{{ $one->code->guidance }}</p>
                    <p class="small quiet">They differ in: {{ $one->difference->label() }}</p>
                </div>
                @php($url = route('reconcile.settle', array_filter([$review->id, $one->publication->id, $one->code->id, 'part' => $one->part])))
                <div class="reconcile-sides">
                    @foreach ($one->sides as $side)
                        <section class="reconcile-side" aria-label="{{ $side->user->name }}">
                            <h3 class="small quiet">{{ $side->user->name }}</h3>
                            <p class="reconcile-value">{{ $side->shown($one->code->code()) }}</p>
                            @forelse ($side->pieces() as $piece)
                                <blockquote class="evidence-strip serif">“{{ Str::limit($piece->selector->quote, 500) }}” <span
                                        class="small quiet">{{ $piece->whereabouts() }}</span></blockquote>
                            @empty
                                <p class="small quiet">{{ $side->from_whole ? 'Judged from the whole.' : 'No evidence.' }}</p>
                            @endforelse
                            @if ($side->note !== '')
                                <p class="small">{{ $side->note }}</p>
                            @endif
                            @if ($mayCode)
                                <form method="post" action="{{ $url }}">@csrf
                                    <input type="hidden" name="at" value="{{ $at + 1 }}">
                                    <button class="button button-go" name="take" value="{{ $side->id }}" data-key="{{ $loop->iteration }}"
                                        data-does="Take the answer of {{ $side->user->name }}">Take this <kbd>{{ $loop->iteration }}</kbd></button>
                                </form>
                            @endif
                        </section>
                    @endforeach
                </div>
                @if ($mayCode)
                    <form class="section" method="post" action="{{ $url }}">@csrf
                        <h3>Or a third answer, resting on what both marked</h3>
                        <input type="hidden" name="at" value="{{ $at + 1 }}">
                        <x-code-value :code="$one->code" />
                        <div class="row mt-2">
                            <button class="button">Settle it so</button>
                            <button class="button button-plain" name="kind" value="not-reported">Not reported</button>
                            <button class="button button-plain" name="kind" value="not-applicable">Not applicable</button>
                        </div>
                    </form>
                @endif
            @endif
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Agreement</h2> <span>of coders’ own answers</span>
            </header>
            @if ($agreement === [])
                <p class="sheet-body quiet">Nothing has been answered by two yet.</p>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Item</th>
                            <th scope="col" class="number">Alike</th>
                            <th scope="col" class="number">α</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($agreement as $row)
                            <tr>
                                <td>{{ $row->code->label }}</td>
                                <td class="number">{{ $row->alike }} of {{ $row->both }}</td>
                                <td class="number">{{ $row->alpha === null ? '–' : number_format($row->alpha, 2) }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                @if (count($weeks) > 1)
                    <table class="table">
                        <thead>
                            <tr>
                                <th scope="col">Week of</th>
                                <th scope="col" class="number">Alike</th>
                                <th scope="col" class="number">Share</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($weeks as $monday => $week)
                                <tr>
                                    <td>{{ \Carbon\CarbonImmutable::parse($monday)->format('j M Y') }}</td>
                                    <td class="number">{{ $week->alike }} of {{ $week->both }}</td>
                                    <td class="number">{{ number_format((100 * $week->alike) / $week->both) }} %</td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                @endif
                <p class="sheet-body small quiet">α is Krippendorff’s, nominal; – where it is not defined, as with one category only.</p>
            @endif
        </section>
    </div>
</x-page>
