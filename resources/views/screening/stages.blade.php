@use('WaryHeron\Core\Screening\ItemState')
@php
    $mayChange = Gate::allows('manage', $review);
    $states = [
        'waiting' => 'not open',
        'awaited' => 'not come to it yet',
        'disagreement' => 'in disagreement',
        'included' => 'included',
        'excluded' => 'excluded',
    ];
    $work = ['anything' => 'everybody judges anything', 'shares' => 'each judges their shares', 'queue' => 'all pull from one queue'];
    $settlers = [
        'pair' => 'those who decided, by agreement; the lead where they cannot agree',
        'third' => 'a reviewer who has not decided on the item, or those who did, by agreement',
        'adjudicator' => 'the lead alone',
    ];
@endphp
<x-page title="Stages" :review="$review" stage="screening" place="stages">
    <div class="desk desk-side">
        <div class="grid gap-3">
            <h1 class="sr-only">Stages and their rules</h1>
            @foreach ($stages as $stage)
                @php($tried = old('stage') === $stage->id)
                @php($value = fn(string $key) => $tried ? old($key) : $stage->getAttribute($key))
                <section class="sheet" id="stage-{{ $stage->id }}">
                    <header class="sheet-head">
                        <h2>{{ $stage->name }}</h2> <span>{{ number_format($tallies[$stage->id]->all()) }} publications ·
                            {{ $stage->closed_at ? 'closed on ' . $stage->closed_at->format('j M Y')
                                : ($tallies[$stage->id]->in(ItemState::Waiting) === 0 && $tallies[$stage->id]->all() > 0
                                ? 'all open' : number_format($tallies[$stage->id]->in(ItemState::Waiting))
                                . ' not open') }}</span>
                    </header>
                    <p class="section">
                        {{ $stage->required_decisions === 1 ? 'One person judges' : ['', '', 'Two', 'Three', 'Four',
                            'Five', 'Six', 'Seven', 'Eight', 'Nine'][$stage->required_decisions] . ' people judge' }}
                        each publication, blinded until all their decisions are in; {{ $work[$stage->work] }}. Unsure
                        {{ $stage->unsure_includes ? 'counts as include' : 'is a disagreement' }}. An exclusion
                        {{ $stage->requiresReason() ? 'needs its reason'
                            : 'may go without a reason' }}{{ $stage->reasons_must_agree
                            ? ', and two different reasons are a disagreement'
                            : '; of different reasons the first in order is reported' }}.
                        Settled by
                        {{ $settlers[$stage->settled_by->value] }}{{ $stage->names_hidden ? ', who does not see the names' : '' }}.</p>
                    @if ($mayChange)
                        <details class="section" @if ($tried) open @endif>
                            <summary class="cursor-pointer">Change the rules</summary>
                            <form class="mt-2" method="post" action="{{ route('stages.update', [$review, $stage]) }}">@csrf
                                @method('put')
                                <x-shown :of="$stage->ruled()" :was="$tried ? old('shown') : null" />
                                <div class="row row-wide">
                                    <label class="grow">Name <input class="input" name="name" value="{{ $value('name') }}"
                                            maxlength="80" required></label>
                                    <label>Decisions on each <input class="input number" type="number" name="required_decisions"
                                            min="1" max="9" value="{{ $value('required_decisions') }}" required></label>
                                </div>
                                <div class="row row-wide mt-2">
                                    <label class="grow">Who judges what <select class="input" name="work">
                                            @foreach ($work as $key => $words)
                                                <option value="{{ $key }}" @selected($value('work') === $key)>{{ $words }}
                                                </option>
                                            @endforeach
                                        </select>
                                    </label>
                                    <label class="grow">Settled by <select class="input" name="settled_by">
                                            @foreach (['pair' => 'those who decided', 'third' => 'a third reviewer',
                                                'adjudicator' => 'the lead alone'] as $key => $words)
                                                <option value="{{ $key }}" @selected(($tried ? old('settled_by')
                                                    : $stage->settled_by->value) === $key)>{{ $words }}
                                                </option>
                                            @endforeach
                                        </select>
                                    </label>
                                </div>
                                <div class="choices mt-2">
                                    @foreach (['unsure_includes' => 'unsure counts as include',
                                        'reason_required' => 'an exclusion needs a reason',
                                        'reasons_must_agree' => 'different reasons are a disagreement',
                                        'names_hidden' => 'the adjudicator does not see names'] as $flag => $words)
                                        <label><input type="checkbox" name="{{ $flag }}" value="1"
                                                @checked($value($flag)) @disabled($flag === 'reason_required'
                                                    && $stage->purpose->value === 'full-text')> {{ $words }}</label>
                                    @endforeach
                                </div>
                                @if ($criteria->isNotEmpty())
                                    <fieldset class="mt-2">
                                        <legend class="field-label">Criteria that apply, by their place; leave empty what does not</legend>
                                        @php($places = $stage->criteria === null ? null : array_flip($stage->criteria))
                                        @foreach ($criteria as $i => $criterion)
                                            <label class="line-up"><input class="input number place" name="criteria[{{ $criterion->id }}]"
                                                    inputmode="numeric"
                                                    value="{{ $tried ? old("criteria.{$criterion->id}")
                                                        : ($places === null ? $i + 1 : (isset($places[$criterion->id])
                                                        ? $places[$criterion->id] + 1 : '')) }}">
                                                <span>{{ $criterion->question }}</span></label>
                                        @endforeach
                                    </fieldset>
                                @endif
                                @if ($tried && session()->has('effect'))
                                    <p class="asking mt-2" role="status">
                                        @if (session('effect') === [])
                                            No publication would stand otherwise than now.
                                        @else
                                            This would change: @foreach (session('effect') as $way => $n)
                                                <strong>{{ number_format($n) }}</strong>
                                                {{ strtr($way, $states) }}{{ $loop->last ? '.' : ';' }}
                                                @endforeach @if (collect(session('effect'))->keys()->contains(fn($way) => str_starts_with($way, 'waiting')))
                                                    What opens stays open to be read.
                                                @endif
                                            @endif
                                    </p>
                                @endif
                                @foreach (['name', 'required_decisions', 'settled_by', 'work', 'criteria'] as $field)
                                    @if ($tried)
                                        @error($field)
                                            <p class="field-error" role="alert">{{ $message }}</p>
                                        @enderror
                                    @endif
                                @endforeach
                                <div class="row mt-2"><button class="button {{ $tried ? '' : 'button-go' }}" name="do"
                                        value="try">See what it would change</button>
                                    @if ($tried && session()->has('effect'))
                                        <button class="button button-go" name="do" value="change">Change the rules</button>
                                    @endif
                                </div>
                            </form>
                            <div class="row mt-2">
                                @unless ($stage->closed_at)
                                    <x-menu label="Close this stage…" class="button button-plain">
                                        <form method="post" action="{{ route('stages.close', [$review, $stage]) }}">@csrf
                                            <p class="small">{{ number_format($tallies[$stage->id]->in(ItemState::Waiting)) }} publications
                                                lack decisions. They open as they are, with what was decided on them, and wait to be settled.
                                                Nobody judges here any more, and this cannot be taken back.</p><button class="button">Close
                                                it</button>
                                        </form>
                                    </x-menu>
                                @endunless
                                @if ($stage->purpose !== \WaryHeron\Core\Screening\StagePurpose::TitleAbstract)
                                    <form method="post" action="{{ route('stages.destroy', [$review, $stage]) }}">@csrf @method('delete')
                                        <button class="button button-plain">Remove this stage, if nobody has judged at it</button></form>
                                @endif
                            </div>
                        </details>
                    @endif
                </section>
            @endforeach
        </div>
        @if ($mayChange)
            <section class="sheet">
                <header class="sheet-head">
                    <h2>Add a stage</h2>
                </header>
                <form class="sheet-body" method="post" action="{{ route('stages.store', $review) }}">@csrf
                    <x-field name="name" label="Name" placeholder="Second question" required />
                    <fieldset class="field">
                        <legend class="field-label">What for</legend>
                        <div class="choices">
                            @unless ($stages->contains(fn($s) => $s->purpose->value === 'full-text'))
                                <label><input type="radio" name="purpose" value="full-text" checked> full texts: what is included by title and
                                    abstract goes on to it, and what is included here is coded</label>
                            @endunless
                            @unless ($stages->contains(fn($s) => $s->purpose->value === 'titles'))
                                <label><input type="radio" name="purpose" value="titles"> titles first: the abstract is asked about once the
                                    title is included; whatever was judged by its abstract already stays as it is</label>
                            @endunless
                            <label><input type="radio" name="purpose" value="subset" @checked($stages->contains(fn($s) => $s->purpose->value === 'full-text'))> a second question on
                                some publications, shared out by hand; it leads to no exclusion elsewhere</label>
                        </div>
                    </fieldset>
                    <button class="button">Add the stage</button>
                </form>
                <p class="section small quiet">A calibration set is made under <a href="{{ route('share-outs', $review) }}">Share-out</a>;
                    it becomes a stage of its own.</p>
            </section>
        @endif
    </div>
</x-page>
