@use('WaryHeron\Core\Screening\ItemState')
<x-page title="Screening" :review="$review" stage="screening" place="screening">
    <div class="desk desk-side">
        <div class="grid gap-3">
            <section class="sheet">
                <header class="sheet-head">
                    <h1>{{ $stage->name }}</h1>
                    <span>{{ $stage->required_decisions === 1 ? 'one decision' : ['', '', 'two', 'three', 'four',
                        'five', 'six', 'seven', 'eight', 'nine'][$stage->required_decisions] . ' decisions' }}
                        on each publication, blinded until all are
                        in{{ $stage->closed_at ? '; closed ' . $stage->closed_at->format('j M Y') : '' }}</span>
                </header>
                <x-stages :review="$review" :stage="$stage" to="screening" />
                @if ($unshared > 0)
                    <p class="asking small">{{ number_format($unshared) }} {{ $unshared === 1 ? 'publication waits' : 'publications wait' }}
                        in nobody’s share, so nobody is asked to judge {{ $unshared === 1 ? 'it' : 'them' }}. <a
                            href="{{ route('share-outs', [$review, 'stage' => $stage->id]) }}">Share-out</a></p>
                @endif
                @if ($tallies->all() === 0)
                    <x-empty title="Nothing to screen yet">Publications arrive here with the first <a
                            href="{{ route('deliveries', $review) }}">delivery</a>.</x-empty>
                @else
                    <table class="table bars">
                        <thead>
                            <tr>
                                <th scope="col">State</th>
                                <th scope="col" class="number">Publications</th>
                                <th scope="col" class="w-2/5">Share</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ([...$stage->purpose->value === 'full-text' ? ['awaited' => [ItemState::Awaited,
                                'Text not at hand yet']] : [], ...$stage->after_titles
                                ? ['awaited' => [ItemState::Awaited, 'Title not included yet']] : [],
                                'waiting' => [ItemState::Waiting, 'Not open yet: decisions missing'],
                                'disagreement' => [ItemState::Disagreement, 'In disagreement'],
                                'included' => [ItemState::Included, 'Included'], 'excluded' => [ItemState::Excluded,
                                'Excluded']] as $key => [$state, $words])
                                <tr>
                                    <td><x-mark :verdict="$key" label="" /> <a
                                            href="{{ $key === 'disagreement' ? route('disagreements', [$review,
                                                'stage' => $stage->id]) : route('library', [$review, 'state' => $key,
                                                'stage' => $review->stages->count() > 1 ? $stage->id
                                                : null]) }}">{{ $words }}</a>
                                    </td>
                                    <td class="number">{{ number_format($tallies->in($state)) }}</td>
                                    <td class="bar-cell"><x-share :part="$tallies->in($state)" :whole="$tallies->all()" /></td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                @endif
            </section>
            @if ($progress->people->isNotEmpty())
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Who is how far</h2> <span>what others decided is not shown here; the pace is that of the last
                            {{ \App\Queries\Screening\Progress::DAYS }} days</span>
                    </header>
                    <table class="table bars">
                        <thead>
                            <tr>
                                <th scope="col">Person</th>
                                <th scope="col" class="number">Today</th>
                                <th scope="col" class="number">A day</th>
                                <th scope="col">Last {{ \App\Queries\Screening\Progress::DAYS }} days</th>
                                <th scope="col" class="number">Done</th>
                                <th scope="col" class="number">Left</th>
                                <th scope="col" class="number">Done by</th>
                                <th scope="col" class="w-1/5">Share done</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($progress->people as $person)
                                <tr>
                                    <td>{{ $person->name }}</td>
                                    <td class="number">{{ number_format($person->today) }}</td>
                                    <td class="number">
                                        {{ $person->pace > 0 ? number_format($person->pace, $person->pace < 10 ? 1 : 0) : '–' }}</td>
                                    <td><x-days :counts="$person->days" :label="$person->name . ': decisions a day'" /></td>
                                    <td class="number">{{ number_format($person->done) }}</td>
                                    <td class="number">{{ number_format($person->left) }}</td>
                                    <td class="number">{{ $person->end?->format('j M Y') ?? '–' }}</td>
                                    <td class="bar-cell"><x-share :part="$person->done" :whole="$person->done + $person->left" /></td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                    <table class="table bars">
                        <tbody>
                            @foreach (['opened' => 'Opened', 'disagreements' => 'of these in disagreement at first', 'settled' => 'Settled'] as $key => $label)
                                @php($counts = array_column($progress->days, $key))
                                <tr>
                                    <th scope="row">{{ $label }}</th>
                                    <td class="number">{{ number_format(array_sum($counts)) }}</td>
                                    <td><x-days :counts="$counts" :label="$label . ' a day'" /></td>
                                    <td class="w-1/3 small quiet">{{ $progress->days[0]->day->format('j M') }} to today</td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </section>
            @endif
            @if ($answers !== [])
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Answers to the criteria</h2> <span>publications, in decisions you may see; each number opens them</span>
                    </header>
                    <table class="table">
                        <thead>
                            <tr>
                                <th scope="col">Criterion</th>
                                <th scope="col" class="number">Yes</th>
                                <th scope="col" class="number">No</th>
                                <th scope="col" class="number">Unclear</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($criteria as $criterion)
                                <tr>
                                    <td><bdi>{{ $criterion->question }}</bdi></td>
                                    @foreach (['yes', 'no', 'unclear'] as $answer)
                                        <td class="number">@php($n = ($answers[$criterion->id] ?? null)?->{$answer} ?? 0) @if ($n > 0)
                                                <a
                                                    href="{{ route('library', [$review,
                                                        'answer' => "{$criterion->id}:{$answer}",
                                                        'stage' => $stage->id]) }}">{{ number_format($n) }}</a>
                                            @else
                                                0
                                            @endif
                                        </td>
                                    @endforeach
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </section>
            @endif
            @if ($reasons->isNotEmpty())
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Excluded, by reason</h2>
                    </header>
                    <table class="table bars">
                        <tbody>
                            @foreach ($reasons as $reason)
                                <tr>
                                    <td>
                                        @if ($reason->id !== '')
                                            <a
                                                href="{{ route('library', [$review, 'reason' => $reason->id,
                                                    'stage' => $review->stages->count() > 1 ? $stage->id
                                                    : null]) }}"><bdi>{{ $reason->reason }}</bdi></a>
                                        @else
                                            <bdi>{{ $reason->reason }}</bdi>
                                        @endif
                                    </td>
                                    <td class="number">{{ number_format($reason->n) }}</td>
                                    <td class="bar-cell w-2/5"><x-share :part="$reason->n" :whole="$reasons->sum('n')" /></td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </section>
            @endif
        </div>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Waits for you</h2>
            </header>
            <div class="sheet-body grid gap-3">
                @can('screen', $review)
                    <p><strong>{{ number_format($waiting->toScreen) }}</strong> to judge by title and abstract, @if ($waiting->toReadInFull > 0)
                            <strong>{{ number_format($waiting->toReadInFull) }}</strong> in full,
                        @endif {{ number_format($mine->done) }} judged.</p>
                    <a class="button button-go" href="{{ route('desk', $review) }}">Go to the Reading Desk</a>
                @else
                    <p class="small quiet">Your role does not include screening.</p>
                @endcan
                @if ($tallies->in(ItemState::Disagreement) > 0)
                    <p><strong>{{ number_format($waiting->toSettle) }}</strong>
                        {{ $waiting->toSettle === 1 ? 'disagreement' : 'disagreements' }} that you can help to settle.</p>
                    <a class="button" href="{{ route('disagreements', $review) }}">See the disagreements</a>
                @endif
            </div>
        </section>
    </div>
</x-page>
