@use('App\View\Inline\Marked')
@use('WaryHeron\Core\Screening\DisagreementKind')
@php
    $here = array_filter(['stage' => $stage->id, 'kind' => $kind, 'pair' => $pair]);
    $called = function (string $id, string $name) use ($nameless, $sides) {
        $at = array_search($id, array_column($sides, 'user_id'), true);

        return $nameless && $at !== false ? 'Reviewer ' . ($at + 1) : $name;
    };
@endphp
<x-page title="Disagreements" :review="$review" stage="screening" place="disagreements">
    @if ($item === null)
        <div class="desk">
            <section class="sheet"><x-empty title="No disagreement is open">Items appear here when both decisions are in and differ, or when
                    somebody was unsure.</x-empty></section>
        </div>
    @else
        <div class="desk desk-three desk-fixed">
            <section class="sheet">
                <header class="sheet-head">
                    <h2>Disagreements</h2> <span>{{ number_format($list->count()) }} open</span>
                </header>
                <x-stages :review="$review" :stage="$stage" to="disagreements" />
                @if (count($groups) > 1 || $kind !== '' || $pair !== '')
                    <details class="section small" @if ($kind !== '' || $pair !== '') open @endif>
                        <summary class="cursor-pointer">By kind and pair</summary>
                        <ul class="mt-1">
                            @foreach ($groups as $group)
                                <li class="mb-1"><a
                                        href="{{ route('disagreements', [$review, 'stage' => $stage->id,
                                            'kind' => $group->kind, 'pair' => $nameless ? null : $group->pair]) }}"
                                        @if ($kind === $group->kind && $pair === $group->pair) aria-current="true" @endif>{{ number_format($group->n) }}
                                        {{ DisagreementKind::tryFrom($group->kind)?->words() }}</a>
                                    @unless ($nameless)
                                        <br><span class="quiet">{{ $group->names }}</span>
                                    @endunless
                                </li>
                            @endforeach
                        </ul>
                        @if ($kind !== '' || $pair !== '')
                            <p><a href="{{ route('disagreements', [$review, 'stage' => $stage->id]) }}">all of them</a></p>
                        @endif
                    </details>
                @endif
                @if ($toAgree->isNotEmpty())
                    <form class="section" method="post" action="{{ route('disagreements.together', [$review, ...$here]) }}">@csrf <p
                            class="small">Others propose how to settle {{ number_format($toAgree->count()) }} that you decided on.</p>
                        <button class="button mt-1" name="do" value="agree">Agree to all
                            {{ number_format($toAgree->count()) }}</button></form>
                @endif
                <ul class="spine sheet-scroll">
                    @foreach ($list as $one)
                        <li class="ticked">
                            @can('screen', $review)
                                <input type="checkbox" form="together" name="ids[]" value="{{ $one->id }}"
                                    aria-label="Choose {{ $one->title }}" @checked(in_array($one->id, (array) old('ids', []), true))>
                            @endcan
                            <a href="{{ route('disagreements.show', [$review, $one->id, 'kind' => $kind ?: null, 'pair' => $pair ?: null]) }}"
                                @if ($one->id === $item->id) aria-current="true" @endif>
                                <x-mark verdict="disagreement" label="" /><span><span
                                        class="spine-title">{{ $one->title }}</span><span
                                        class="small quiet">{{ \WaryHeron\Core\Screening\DisagreementKind::tryFrom((string) $one->kind)?->words() }}{{ $one->talk > 0
                                            ? " · {$one->talk} in Talk" : '' }}{{ $one->mine ? ' · yours'
                                            : '' }}</span></span></a>
                        </li>
                    @endforeach
                </ul>
                @can('screen', $review)
                    <details class="section small" @if ($errors->hasAny(['ids', 'verdict', 'criterion']) || old('ids')) open @endif>
                        <summary class="cursor-pointer">Settle the ticked ones together</summary>
                        <form id="together" class="mt-1" method="post" action="{{ route('disagreements.together', [$review, ...$here]) }}">
                            @csrf
                            <select class="input mb-1" name="verdict" aria-label="Verdict for all">
                                <option value="include">include</option>
                                <option value="exclude" @selected(old('verdict') === 'exclude')>exclude</option>
                            </select>
                            <select class="input mb-1" name="criterion" aria-label="Reason for all"
                                @error('criterion') aria-invalid="true" autofocus @enderror>
                                <option value="">no reason</option>
                                @foreach ($criteria as $criterion)
                                    <option value="{{ $criterion->id }}" @selected(old('criterion') === $criterion->id)>{{ $criterion->reason }}</option>
                                @endforeach
                            </select>
                            <input class="input mb-1" name="note" maxlength="4000" placeholder="Why" aria-label="Why"
                                value="{{ old('note') }}">
                            @foreach (['ids', 'verdict', 'criterion'] as $field)
                                @error($field)
                                    <p class="field-error" role="alert">{{ $message }}</p>
                                @enderror
                            @endforeach
                            <div class="row">
                                @can('settle', $review)
                                    <button class="button" name="do" value="settle">Settle</button>
                                    @endcan @if ($stage->settled_by->byAgreement())
                                        <button class="button" name="do" value="propose">Propose</button>
                                    @endif
                                </div>
                            </form>
                        </details>
                    @endcan
                </section>
                <section class="sheet">
                    <div class="sheet-scroll" tabindex="0" role="region" aria-label="Title and abstract">
                        <article class="reading">
                            <h1>{{ $shown->title }}</h1>
                            <p class="meta">{{ $shown->meta }}</p>
                            @forelse ($shown->abstract as $paragraph)
                                <p>
                                    @if ($paragraph->label !== '')
                                        <span class="label">{{ $paragraph->label }}</span>
                                    @endif {{ Marked::parts($paragraph->parts) }}
                                </p>
                            @empty
                                <p class="quiet">No abstract was delivered.</p>
                            @endforelse
                        </article>
                    </div>
                    @if ($item->settled && $settlement)
                        <div class="sheet-foot"><x-mark :verdict="$settlement->verdict->value" label="" /> Settled
                            {{ $settlement->how->words($settlement->user->name) }}:
                            {{ $settlement->verdict->value }}{{ $settlement->criterion
                                ? " ({$settlement->criterion->reason})" : '' }}{{ $settlement->note !== ''
                                ? ". {$settlement->note}" : '' }}
                        </div>
                    @endif
                </section>
                <section class="sheet sheet-scroll">
                    <header class="sheet-head">
                        <h2>Both sides</h2>
                    </header>
                    @foreach ($sides as $side)
                        <div class="side"><x-mark :verdict="$side->verdict" label="" />
                            <strong>{{ $called($side->user_id, $side->name) }}</strong>:
                            {{ $side->verdict }}@if ($side->reason), <bdi>{{ $side->reason }}</bdi>
                            @endif
                            @if ($side->note !== '')
                                <p>{{ $side->note }}</p>
                            @endif
                        </div>
                    @endforeach
                    @if (!$item->settled || $mayAlone)
                        @if ($mayAlone || ($party && $stage->settled_by->byAgreement()))
                            <form class="section" method="post"
                                action="{{ $mayAlone ? route('disagreements.settle', [$review, $item]) : route('disagreements.propose', [$review, $item]) }}">
                                @csrf
                                <h3>{{ $item->settled ? 'Settle it otherwise' : 'Settle it' }}</h3>
                                @foreach ($proposals as $proposal)
                                    <p class="asking small mb-2">{{ $called($proposal->user_id, $proposal->user->name) }} proposes to
                                        {{ $proposal->verdict->value }}{{ $proposal->criterion
                                            ? ": {$proposal->criterion->reason}" : '' }}.{{ $proposal->note !== ''
                                            ? " {$proposal->note}" : '' }}
                                    </p>
                                @endforeach
                                @php($stands = $proposals->last())
                                <div class="choices" role="radiogroup" aria-label="Final verdict">
                                    <label><input type="radio" name="verdict" value="include" @checked(old('verdict',
                                        $stands?->verdict->value) === 'include') required> <x-mark
                                            verdict="include" label="" /> Include</label>
                                    <label><input type="radio" name="verdict" value="exclude" @checked(old('verdict',
                                        $stands?->verdict->value) === 'exclude')> <x-mark
                                            verdict="exclude" label="" /> Exclude</label>
                                </div>
                                <label class="field-label mt-2" for="criterion">Reason, for an exclusion</label>
                                <select class="input mb-2" id="criterion" name="criterion">
                                    <option value="">none</option>
                                    @foreach ($criteria as $criterion)
                                        <option value="{{ $criterion->id }}" @selected(old('criterion',
                                            $stands?->criterion_id) === $criterion->id)>{{ $criterion->reason }}
                                        </option>
                                    @endforeach
                                </select>
                                @error('criterion')
                                    <p class="field-error" role="alert">{{ $message }}</p>
                                @enderror
                                <label class="field-label" for="settle-note">Why</label>
                                <textarea class="input serif mb-2" id="settle-note" name="note" rows="2" maxlength="4000">{{ old('note') }}</textarea>
                                @if ($mayAlone)
                                    <button class="button button-go">Settle</button>
                                    @if ($party && !$item->settled && $stage->settled_by->byAgreement())
                                        <button class="button" formaction="{{ route('disagreements.propose', [$review, $item]) }}">Propose to
                                            the other side</button>
                                    @endif
                                @else
                                    <button
                                        class="button button-go">{{ $proposals->contains(fn($p) => $p->user_id !== auth()->id())
                                            ? 'Agree, or propose otherwise' : 'Propose' }}</button>
                                    <p class="field-help">Settled as soon as both propose the same.</p>
                                @endif
                            </form>
                        @endif
                    @endif
                    @if ($party && $item->state === \WaryHeron\Core\Screening\ItemState::Disagreement)
                        <details class="section">
                            <summary class="cursor-pointer">Change my mind</summary>
                            <form class="mt-2" method="post" action="{{ route('disagreements.rethink', [$review, $item]) }}">@csrf
                                <div class="choices">
                                    @foreach (['include' => 'Include', 'unsure' => 'Unsure', 'exclude' => 'Exclude'] as $verdict => $label)
                                        <label><input type="radio" name="verdict" value="{{ $verdict }}" required> <x-mark
                                                :verdict="$verdict" label="" /> {{ $label }}</label>
                                    @endforeach
                                </div>
                                <select class="input mb-2" name="criterion" aria-label="Reason, for an exclusion">
                                    <option value="">no reason</option>
                                    @foreach ($criteria as $criterion)
                                        <option value="{{ $criterion->id }}">{{ $criterion->reason }}</option>
                                    @endforeach
                                </select>
                                <textarea class="input serif mb-2" name="note" rows="2" maxlength="4000" aria-label="Note" placeholder="What changed it"></textarea>
                                <button class="button">Change it</button>
                                <p class="field-help">What you said before is kept, and agreement is computed from that.</p>
                            </form>
                        </details>
                    @endif
                    <div class="section" id="talk">
                        <h3>Talk</h3>
                        @forelse ($talk as $message)
                            <p class="mb-2"><strong>{{ $called($message->user_id, $message->user->name) }}</strong> <span
                                    class="small quiet">{{ $message->created_at->format('j M, H:i') }}</span><br><span
                                    class="serif">{!! nl2br(e($message->body)) !!}</span></p>
                        @empty
                            <p class="small quiet mb-2">Nobody has written yet. A name after @ tells that person.</p>
                        @endforelse
                        @can('screen', $review)
                            <form method="post" action="{{ route('talk.store', [$review, $item]) }}">@csrf
                                <label class="visually-hidden" for="body">Message</label>
                                <textarea class="input serif" id="body" name="body" rows="2" maxlength="4000" required>{{ old('body') }}</textarea>
                                @error('body')
                                    <p class="field-error" role="alert">{{ $message }}</p>
                                @enderror
                                <button class="button mt-2">Write</button>
                            </form>
                        @endcan
                    </div>
                </section>
            </div>
        @endif
    </x-page>
