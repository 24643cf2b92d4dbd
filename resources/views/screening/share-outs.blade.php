@php
    $mayChange = Gate::allows('manage', $review);
    $kept = array_filter(
        request()->only(['q', 'tag', 'source', 'delivery', 'state', 'of', 'coded', 'pool', 'sample', 'percent', 'decisions', 'mode']),
        is_string(...),
    );
    $asked = (array) request('people', []);
@endphp
<x-page title="Share-out" :review="$review" stage="screening" place="share-outs">
    <div class="desk desk-side">
        <div class="grid gap-3">
            @if ($draft)
                <section class="sheet" id="preview" role="status">
                    <header class="sheet-head">
                        <h2>Preview</h2> <span>nothing is made yet</span>
                    </header>
                    <div class="sheet-body">
                        <p>{{ number_format($draft->pool) }} in the
                            pool{{ ! $filters->isAny() ? '' : ' (' . implode(', ', $filters->words()) . ')' }} →
                            <strong>{{ number_format(count($draft->publications)) }}</strong>
                            {{ count($draft->publications) < $draft->pool ? "drawn with the seed {$terms['seed']}" : 'shared out' }}</p>
                        @if ($draft->problem !== '')
                            <p class="field-error" role="alert">{{ $draft->problem }}</p>
                            @if ($draft->nearest)
                                <p class="small">The nearest that can be met:
                                    {{ implode(', ', array_map(fn($id, $n) => ($names[$id] ?? '?') . ' '
                                        . number_format($n), array_keys($draft->nearest), $draft->nearest)) }}.
                                    <a
                                        href="{{ route('share-outs', [$review, 'stage' => $stage->id, ...$kept,
                                            'seed' => $terms['seed'], 'people' => array_keys($terms['quotas']),
                                            'quota' => $draft->nearest]) }}#preview">Take
                                        these</a></p>
                            @endif
                        @else
                            <div class="two-tables">
                                <table class="table small">
                                    <thead>
                                        <tr>
                                            <th scope="col">Person</th>
                                            <th scope="col" class="number">Items</th>
                                        </tr>
                                    </thead>
                                    <tbody>
                                        @foreach ($draft->plan->perPerson() as $id => $n)
                                            <tr>
                                                <td>{{ $names[$id] ?? '' }}</td>
                                                <td class="number">{{ number_format($n) }}</td>
                                            </tr>
                                        @endforeach
                                    </tbody>
                                </table>
                                @if ($draft->plan->perPair() !== [])
                                    <table class="table small">
                                        <thead>
                                            <tr>
                                                <th scope="col">Pair</th>
                                                <th scope="col" class="number">Items both judge</th>
                                            </tr>
                                        </thead>
                                        <tbody>
                                            @foreach ($draft->plan->perPair() as $pair => $n)
                                                <tr>
                                                    <td>{{ implode(' and ', array_map(fn($id) => $names[$id] ?? '', explode(' ', $pair))) }}
                                                    </td>
                                                    <td class="number">{{ number_format($n) }}</td>
                                                </tr>
                                            @endforeach
                                        </tbody>
                                    </table>
                                @endif
                            </div>
                            @if ($draft->own > 0)
                                <p class="small mt-2">{{ number_format($draft->own) }} {{ $draft->own === 1 ? 'is' : 'are' }} by one of
                                    these people.@if ($draft->own > $draft->written)
                                        {{ number_format($draft->own - $draft->written) }}
                                        {{ $draft->own - $draft->written === 1 ? 'goes' : 'go' }} to others.
                                        @endif @if ($draft->written > 0)
                                            {{ number_format($draft->written) }} {{ $draft->written === 1 ? 'is' : 'are' }} left out: too
                                            few are left who did not write {{ $draft->written === 1 ? 'it' : 'them' }}.
                                        @endif
                                </p>
                            @endif
                            @if ($stage->work !== 'shares' && $terms['mode'] !== 'everyone')
                                <p class="small asking mt-2">From then on, only what is in one’s share is judged at this stage.</p>
                            @endif
                            <form class="mt-2" method="post" action="{{ route('share-outs.store', $review) }}">@csrf
                                @foreach ([...$kept, 'stage' => $stage->id, 'seed' => $terms['seed'],
                                    'expected' => count($draft->publications)] as $key => $value)
                                    <input type="hidden" name="{{ $key }}" value="{{ $value }}">
                                @endforeach
                                @foreach ($terms['quotas'] as $id => $quota)
                                    <input type="hidden" name="people[]" value="{{ $id }}"><input type="hidden"
                                        name="quota[{{ $id }}]"
                                        value="{{ $quota ?? (isset($terms['weights'][$id]) ? "{$terms['weights'][$id]}×" : '') }}">
                                @endforeach
                                <label class="block">Name <input class="input" name="name" maxlength="120" required
                                        value="{{ old('name', $terms['mode'] === 'everyone' ? 'Calibration set'
                                            : 'Share-out ' . (count($shareOuts) + 1)) }}"></label>
                                <button class="button button-go mt-2">Share out {{ number_format(count($draft->publications)) }}</button>
                            </form>
                        @endif
                    </div>
                </section>
            @endif
            @if ($asking)
                <section class="sheet" id="asking" role="status">
                    <header class="sheet-head">
                        <h2>{{ $asking->back ? "Take back “{$asking->back->name}”?" : "Hand on what {$asking->hand->name} has not judged?" }}
                        </h2> <span>nothing is changed yet</span>
                    </header>
                    <div class="sheet-body">
                        @if ($asking->problem !== '')
                            <p class="field-error" role="alert">{{ $asking->problem }}</p>
                        @else
                            <p>{{ number_format(array_sum($asking->people)) }}
                                {{ array_sum($asking->people) === 1 ? 'judgement' : 'judgements' }} not yet made
                                {{ $asking->back ? 'would be taken from' : 'would go to' }}:
                                {{ implode(', ', array_map(fn($id, $n) => ($names[$id] ?? '?') . ' '
                                    . number_format($n), array_keys($asking->people), $asking->people))
                                    ?: 'nobody' }}.
                                What was decided stays, and whoever it concerns is told.</p>
                            <form class="mt-2 row" method="post"
                                action="{{ $asking->back ? route('share-outs.withdraw', [$review, $asking->back])
                                    : route('share-outs.hand-on', [$review, $stage]) }}">
                                @csrf
                                @if ($asking->hand) <input type="hidden" name="from"
                                        value="{{ $asking->hand->id }}">
                                    @foreach ($asking->to as $id)
                                        <input type="hidden" name="to[]" value="{{ $id }}">
                                    @endforeach
                                @endif
                                <button class="button button-go"
                                    autofocus>{{ $asking->back ? 'Take them back' : 'Hand them on' }}</button> <a class="button"
                                    href="{{ route('share-outs', [$review, 'stage' => $stage->id]) }}">Leave it</a>
                            </form>
                        @endif
                    </div>
                </section>
            @endif
            <section class="sheet">
                <header class="sheet-head">
                    <h1>Share-out</h1> <span>who judges what at “{{ $stage->name }}”;
                        {{ ['anything' => 'so far everybody judges anything', 'shares' => number_format($unshared)
                            . ($unshared === 1 ? ' publication waits' : ' publications wait') . ' in nobody’s share',
                            'queue' => 'all pull from one common queue'][$stage->work] }}</span>
                </header>
                <x-stages :review="$review" :stage="$stage" to="share-outs" />
                @if ($lackingOne > 0 && !$stage->closed_at)
                    <p class="section small" role="status"><strong>{{ number_format($lackingOne) }}</strong>
                        {{ $lackingOne === 1 ? 'publication has' : 'publications have' }} all judges but one. @if ($mayChange)
                            <a href="{{ route('share-outs', [$review, 'stage' => $stage->id, 'pool' => 'half']) }}#new">Give
                                {{ $lackingOne === 1 ? 'it' : 'them' }} to one more person</a>
                        @endif
                    </p>
                @endif
                @forelse ($shareOuts as $one)
                    @php($shares = $progress[$one->id] ?? [])
                    <div class="section">
                        <p><strong>{{ $one->name }}</strong> <span class="small quiet">{{ $one->created_at->format('j M Y') }} by
                                {{ $one->creator->name }} · {{ number_format($one->items) }}
                                publications{{ $one->items < $one->terms['pool_size'] ? ' drawn from '
                                    . number_format($one->terms['pool_size']) : '' }}{{ $one->terms['filters'] === []
                                    ? '' : ', ' . implode(', ', $one->terms['filters']) }}
                                ·
                                {{ $one->terms['mode'] === 'everyone' ? 'everybody judges each'
                                    : $one->terms['decisions'] . ($one->terms['decisions'] === 1 ? ' decision'
                                    : ' decisions') . ' on each' }}
                                · seed
                                {{ $one->seed }}{{ $one->withdrawn_at ? ' · withdrawn ' . $one->withdrawn_at->format('j M Y') : '' }}</span>
                        </p>
                        @if ($shares !== [])
                            <table class="table bars small">
                                <thead>
                                    <tr>
                                        <th scope="col">Person</th>
                                        <th scope="col" class="number">Share</th>
                                        <th scope="col" class="number">Done</th>
                                        <th scope="col" class="number">Left</th>
                                        <th scope="col" class="w-2/5"><span class="sr-only">How much is done</span></th>
                                    </tr>
                                </thead>
                                <tbody>
                                    @foreach ($shares as $id => $share)
                                        <tr>
                                            <td>{{ $names[$id] }}</td>
                                            <td class="number">{{ number_format($share->all) }}</td>
                                            <td class="number">{{ number_format($share->done) }}</td>
                                            <td class="number">{{ number_format($share->all - $share->done) }}</td>
                                            <td class="bar-cell"><x-share :part="$share->done" :whole="max(array_column($shares, 'all'))" /></td>
                                        </tr>
                                    @endforeach
                                </tbody>
                            </table>
                        @endif
                        @if ($mayChange && !$one->withdrawn_at)
                            <p><a class="button button-plain"
                                    href="{{ route('share-outs', [$review, 'stage' => $stage->id, 'withdraw' => $one->id]) }}#asking">Take
                                    back what is not judged…</a></p>
                        @endif
                    </div>
                @empty
                    <x-empty
                        title="Nothing is shared out here">{{ $stage->work === 'shares'
                            ? 'Only what is in somebody’s share is judged at this stage.'
                            : 'Everybody may judge anything. A share-out gives each person a portion of their own, and draws samples.' }}</x-empty>
                @endforelse
            </section>
            @if ($mayChange && $progress !== [])
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Hand on</h2> <span>when somebody leaves: what they have not judged goes to others, what they decided
                            stays</span>
                    </header>
                    <form class="sheet-body row row-wide" method="get" action="{{ route('share-outs', $review) }}#asking"><input
                            type="hidden" name="stage" value="{{ $stage->id }}">
                        @php($holders = array_unique(array_merge(...array_map(array_keys(...), array_values($progress)))))
                        <label>From <select class="input" name="hand">
                                @foreach ($holders as $id)
                                    <option value="{{ $id }}">{{ $names[$id] }}</option>
                                @endforeach
                            </select>
                        </label>
                        <span class="choices row">To @foreach ($people as $person)
                                <label><input type="checkbox" name="to[]" value="{{ $person->id }}"> {{ $person->name }}</label>
                            @endforeach
                        </span>
                        <button class="button">Look at who would take what</button>
                        @error('to')
                            <p class="field-error" role="alert">{{ $message }}</p>
                        @enderror
                    </form>
                </section>
            @endif
        </div>
        @if ($mayChange && !$stage->closed_at)
            <section class="sheet" id="new">
                <header class="sheet-head">
                    <h2>New share-out</h2>
                </header>
                <form class="sheet-body" method="get" action="{{ route('share-outs', $review) }}#preview">
                    <input type="hidden" name="stage" value="{{ $stage->id }}">
                    <fieldset class="field">
                        <legend class="field-label">From the pool of</legend>
                        <select class="input" name="pool" aria-label="Pool">
                            <option value="free" @selected($terms['pool'] === 'free')>all that is free: not judged, in no share</option>
                            <option value="half" @selected($terms['pool'] === 'half')>what has all its judges but one: one more person each
                            </option>
                            <option value="undecided" @selected($terms['pool'] === 'undecided')>all that has not opened</option>
                        </select>
                        <details class="mt-1" @if ($filters->isAny() || $filters->line->problem !== '') open @endif>
                            <summary class="cursor-pointer small">Only some of it</summary>
                            <label class="block">Query <input class="input input-mono" name="q" value="{{ $typed['q'] }}"
                                    placeholder="title:light*" spellcheck="false"></label>
                            @if ($filters->line->problem !== '')
                                <p class="field-error" role="alert">{{ $filters->line->problem }}</p>
                            @endif
                            <label class="block">Delivery <select class="input" name="delivery">
                                    <option value="">any</option>
                                    @foreach ($deliveries as $delivery)
                                        <option value="{{ $delivery->id }}" @selected($typed['delivery'] === $delivery->id)>
                                            {{ $delivery->source_name }}{{ $delivery->file_name ? ": {$delivery->file_name}" : '' }}
                                        </option>
                                    @endforeach
                                </select>
                            </label>
                            @if ($choices->tags !== []) <label class="block">Tag <select
                                        class="input" name="tag">
                                        <option value="">any</option>
                                        @foreach ($choices->tags as $one)
                                            <option @selected($typed['tag'] === $one)>{{ $one }}</option>
                                        @endforeach
                                    </select>
                                </label> @endif
                            <label class="block">Where it stands <select class="input" name="state">
                                    <option value="">anywhere</option>
                                    @foreach (['included' => 'included', 'excluded' => 'excluded', 'disagreement' => 'in disagreement'] as $key => $words)
                                        <option value="{{ $key }}" @selected($typed['state'] === $key)>{{ $words }}</option>
                                    @endforeach
                                </select>
                            </label>
                            @if ($review->stages->count() > 1) <label class="block">at <select
                                        class="input" name="of">
                                        @foreach ($review->stages as $one)
                                            <option value="{{ $one->id }}" @selected($typed['of'] === $one->id)>{{ $one->name }}</option>
                                        @endforeach
                                    </select>
                                </label> @endif
                            <label class="block"><input type="checkbox" name="coded" value="1" @checked($typed['coded'])>
                                with coded answers</label>
                        </details>
                    </fieldset>
                    <fieldset class="field">
                        <legend class="field-label">All of it, or a random part</legend>
                        <div class="line-up"><input class="input number" name="sample" inputmode="numeric" size="5"
                                aria-label="So many items" value="{{ $typed['sample'] }}" placeholder="all"> items, or <input
                                class="input number" name="percent" inputmode="decimal" size="3" aria-label="So many percent"
                                value="{{ $typed['percent'] }}"> %</div>
                        <div class="line-up mt-1"><label for="seed">drawn with the seed</label> <input class="input number"
                                id="seed" name="seed" inputmode="numeric" size="7" value="{{ $terms['seed'] }}"></div>
                        <p class="field-help">The same seed draws the same part again.</p>
                    </fieldset>
                    <fieldset class="field">
                        <legend class="field-label">How</legend>
                        <div class="choices">
                            @foreach (['mixed' => 'pairs mixed, so that everybody works with everybody',
                                'groups' => 'fixed groups in the order below, each with a list of its own',
                                'everyone' => 'a calibration set: everybody judges each, at a stage of its own']
                                as $key => $words)
                                <label><input type="radio" name="mode" value="{{ $key }}" @checked($terms['mode'] === $key)>
                                    {{ $words }}</label>
                            @endforeach
                        </div>
                        <div class="line-up mt-2"><label for="decisions">Decisions on each</label> <input class="input number"
                                id="decisions" name="decisions" inputmode="numeric" size="2" value="{{ $terms['decisions'] }}">
                        </div>
                    </fieldset>
                    <fieldset class="field">
                        <legend class="field-label">Whom, and how many each</legend>
                        @foreach ($people as $person)
                            <div class="line-up"><label class="grow"><input type="checkbox" name="people[]"
                                        value="{{ $person->id }}" @checked($asked === [] || in_array($person->id,
                                            $asked, true))> {{ $person->name }}</label> <input
                                    class="input number" name="quota[{{ $person->id }}]" inputmode="numeric" size="6"
                                    aria-label="Quota of {{ $person->name }}" placeholder="rest"
                                    value="{{ $typed["quota.{$person->id}"] }}"></div>
                        @endforeach
                        <p class="field-help">Without a number: the rest, evenly. 2× is twice the share of whoever has nothing there.
                            Nobody is given their own papers.</p>
                    </fieldset>
                    <button class="button {{ $draft?->plan ? '' : 'button-go' }}">Preview</button>
                </form>
            </section>
        @endif
    </div>
</x-page>
