<x-page title="Reconcile numbers" :review="$review" stage="coding" place="reconcile">
    @php($mayCode = Gate::allows('code', $review))
    @php($to = fn(int $place) => route('reconcile.results', [$review, 'at' => $place]))
    <div class="desk desk-side" x-data="keyed">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Reconcile numbers</h1> <span>{{ count($open) }} {{ count($open) === 1 ? 'result is' : 'results are' }} open</span>
                <span class="end">
                    <a href="{{ route('reconcile', $review) }}">{{ $answers }} {{ Str::plural('answer', $answers) }}</a>
                    @if ($one)
                        @if ($at > 0)
                            <a class="button" href="{{ $to($at) }}" data-key="K" data-does="The one before">Before <kbd>K</kbd></a>
                        @endif
                        <span>{{ $at + 1 }} of {{ count($open) }}</span>
                        @if ($at + 1 < count($open))
                            <a class="button" href="{{ $to($at + 2) }}" data-key="J" data-does="The next one">Next <kbd>J</kbd></a>
                        @endif
                    @endif
                </span>
            </header>
            @if ($review->coded_by === 1)
                <x-empty title="One person codes each study">Where two take results apart, their differences come here.</x-empty>
            @elseif ($one === null)
                <x-empty title="Nothing is open">What two took alike counts at once. What only one has taken of a study comes here when both
                    have taken results of it.</x-empty>
            @else
                @php($differing = $one->pair->fields())
                @php($isAlone = $one->sides->count() === 1)
                <div class="section">
                    <p class="small quiet"><a href="{{ route('coding.show', [$review, $publication]) }}#result-">{{ $publication->called() }}</a> ·
                        <bdi>{{ $publication->title }}</bdi></p>
                    <h2 class="reconcile-item">{{ $outcome->name }} <span class="code-part">{{ $comparison?->words() }}</span></h2>
                    <p class="small quiet">They differ in: {{ $one->pair->difference()->label() }}</p>
                </div>
                @php($url = route('reconcile.results.settle', [$review, $publication]))
                @if ($isAlone && Gate::denies('manage', $review))
                    <p class="section">{{ $one->sides[0]->user_id === auth()->id() ? 'You have' : $one->sides[0]->user->name . ' has' }} taken a result of this
                        outcome that the other coder has not. Whoever has not looks for it; else the lead says whether it counts.</p>
                @else
                    <div class="reconcile-sides">
                        @foreach ($one->sides as $side)
                            <section class="reconcile-side" aria-label="{{ $side->user->name }}">
                                <h3 class="small quiet">{{ $side->user->name }}</h3>
                                @include('coding.reconcile-numbers')
                                @if ($mayCode)
                                    <form method="post" action="{{ $url }}">@csrf
                                        <input type="hidden" name="at" value="{{ $at + 1 }}">
                                        @foreach ($one->pair->ids() as $row)
                                            <input type="hidden" name="rows[]" value="{{ $row }}">
                                        @endforeach
                                        <button class="button button-go" name="take" value="{{ $side->row_id }}" data-key="{{ $loop->iteration }}"
                                            data-does="Take the numbers of {{ $side->user->name }}">{{ $isAlone ? 'It counts' : 'Take these' }}
                                            <kbd>{{ $loop->iteration }}</kbd></button>
                                        @if ($isAlone)
                                            <button class="button button-plain" name="leave" value="1">Leave it out</button>
                                        @endif
                                    </form>
                                @endif
                            </section>
                        @endforeach
                    </div>
                @endif
                @if ($mayCode && !$isAlone)
                    @php($first = $one->sides[0])
                    <form class="section" method="post" action="{{ $url }}">@csrf
                        <h3>Or other numbers, resting on what both marked</h3>
                        <p class="small quiet">{{ Str::ucfirst($first->form->label()) }}{{ $first->time_told === '' ? '' : ", {$first->time_told}" }}</p>
                        <input type="hidden" name="at" value="{{ $at + 1 }}">
                        @foreach ($one->pair->ids() as $row)
                            <input type="hidden" name="rows[]" value="{{ $row }}">
                        @endforeach
                        <div class="row reconcile-fields">
                            @foreach ([...$first->form->fields(), ...$first->design->fields()] as $field)
                                <label>{{ $field->label }}{{ $field->arm === 0 ? '' : ', ' . ($field->arm === 1 ? $comparison?->intervention->name : $comparison?->comparator->name) }}
                                    <input class="input number" name="given[{{ $field->key }}]" value="{{ $first->given[$field->key] ?? '' }}"
                                        inputmode="decimal" maxlength="60" size="7" autocomplete="off"></label>
                            @endforeach
                        </div>
                        <button class="button mt-2">Settle it so</button>
                    </form>
                @endif
            @endif
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Agreement</h2> <span>of what both took</span>
            </header>
            @if ($agreement === [])
                <p class="sheet-body quiet">No study has results of two yet.</p>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Outcome</th>
                            <th scope="col" class="number">Alike</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($agreement as $id => $of)
                            <tr>
                                <td>{{ $outcomes[$id] ?? '' }}</td>
                                <td class="number">{{ $of->alike }} of {{ $of->both }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                <p class="sheet-body small quiet">Alike is every number, the form, the time and the scale.</p>
            @endif
        </section>
    </div>
</x-page>
