<x-page title="Disagreements" :review="$review" stage="screening" place="disagreements">
    @if ($item === null)
        <div class="desk"><section class="sheet"><x-empty title="No disagreement is open">Items appear here when both decisions are in and differ, or when somebody was unsure.</x-empty></section></div>
    @else
        <div class="desk desk-three desk-fixed">
            <section class="sheet">
                <header class="sheet-head"><h2>Disagreements</h2> <span>{{ number_format($list->count()) }} open</span></header>
                <x-stages :review="$review" :stage="$stage" to="disagreements" />
                <ul class="spine sheet-scroll">
                    @foreach ($list as $one)
                        <li><a href="{{ route('disagreements.show', [$review, $one->id]) }}" @if ($one->id === $item->id) aria-current="true" @endif><x-mark verdict="disagreement" label="" /><span><span class="spine-title">{{ $one->title }}</span><span class="small quiet">{{ \WaryHeron\Core\Screening\DisagreementKind::tryFrom((string) $one->kind)?->words() }}{{ $one->talk > 0 ? " · {$one->talk} in Talk" : '' }}{{ $one->mine ? ' · yours' : '' }}</span></span></a></li>
                    @endforeach
                </ul>
            </section>
            <section class="sheet">
                <div class="sheet-scroll" tabindex="0" aria-label="Title and abstract">
                    <article class="reading">
                        <h1>{{ $shown['title'] }}</h1>
                        <p class="meta">{{ $shown['meta'] }}</p>
                        @forelse ($shown['abstract'] as $paragraph)
                            <p>@if ($paragraph['label'] !== '')<span class="label">{{ $paragraph['label'] }}</span>@endif <x-segments :parts="$paragraph['parts']" /></p>
                        @empty
                            <p class="quiet">No abstract was delivered.</p>
                        @endforelse
                    </article>
                </div>
                @if ($item->settled && $settlement)
                    <div class="sheet-foot"><x-mark :verdict="$settlement->verdict->value" label="" /> Settled {{ $settlement->how === 'lead' ? "by {$settlement->user->name}" : 'by agreement' }}: {{ $settlement->verdict->value }}{{ $settlement->criterion ? " ({$settlement->criterion->reason})" : '' }}{{ $settlement->note !== '' ? ". {$settlement->note}" : '' }}</div>
                @endif
            </section>
            <section class="sheet sheet-scroll">
                <header class="sheet-head"><h2>Both sides</h2></header>
                @foreach ($sides as $side)
                    <div class="side"><x-mark :verdict="$side->verdict" label="" /> <strong>{{ $side->name }}</strong>: {{ $side->verdict }}{{ $side->reason ? ", {$side->reason}" : '' }}@if ($side->note !== '')<p>{{ $side->note }}</p>@endif</div>
                @endforeach
                @php($party = collect($sides)->contains('user_id', auth()->id()))
                @if (! $item->settled || Gate::allows('settle', $review))
                    @if (Gate::allows('settle', $review) || $party)
                        <form class="section" method="post" action="{{ Gate::allows('settle', $review) ? route('disagreements.settle', [$review, $item]) : route('disagreements.propose', [$review, $item]) }}">
                            @csrf
                            <h3>{{ $item->settled ? 'Settle it otherwise' : 'Settle it' }}</h3>
                            @foreach ($proposals as $proposal)
                                <p class="asking small mb-2">{{ $proposal->user->name }} proposes to {{ $proposal->verdict->value }}{{ $proposal->criterion ? ": {$proposal->criterion->reason}" : '' }}.{{ $proposal->note !== '' ? " {$proposal->note}" : '' }}</p>
                            @endforeach
                            @php($stands = $proposals->last())
                            <div class="choices" role="radiogroup" aria-label="Final verdict">
                                <label><input type="radio" name="verdict" value="include" @checked(old('verdict', $stands?->verdict->value) === 'include') required> <x-mark verdict="include" label="" /> Include</label>
                                <label><input type="radio" name="verdict" value="exclude" @checked(old('verdict', $stands?->verdict->value) === 'exclude')> <x-mark verdict="exclude" label="" /> Exclude</label>
                            </div>
                            <label class="field-label mt-2" for="criterion">Reason, for an exclusion</label>
                            <select class="input mb-2" id="criterion" name="criterion"><option value="">none</option>@foreach ($criteria as $criterion) <option value="{{ $criterion['id'] }}" @selected(old('criterion', $stands?->criterion_id) === $criterion['id'])>{{ $criterion['reason'] }}</option> @endforeach</select>
                            @error('criterion') <p class="field-error" role="alert">{{ $message }}</p> @enderror
                            <label class="field-label" for="settle-note">Why</label>
                            <textarea class="input serif mb-2" id="settle-note" name="note" rows="2" maxlength="4000">{{ old('note') }}</textarea>
                            @can('settle', $review)
                                <button class="button button-go">Settle</button>
                                @if ($party && ! $item->settled) <button class="button" formaction="{{ route('disagreements.propose', [$review, $item]) }}">Propose to the other side</button> @endif
                            @else
                                <button class="button button-go">{{ $proposals->contains(fn ($p) => $p->user_id !== auth()->id()) ? 'Agree, or propose otherwise' : 'Propose' }}</button>
                                <p class="field-help">Settled as soon as both propose the same.</p>
                            @endcan
                        </form>
                    @endif
                @endif
                <div class="section" id="talk">
                    <h3>Talk</h3>
                    @forelse ($talk as $message)
                        <p class="mb-2"><strong>{{ $message->user->name }}</strong> <span class="small quiet">{{ $message->created_at->format('j M, H:i') }}</span><br><span class="serif">{!! nl2br(e($message->body)) !!}</span></p>
                    @empty
                        <p class="small quiet mb-2">Nobody has written yet.</p>
                    @endforelse
                    @can('screen', $review)
                        <form method="post" action="{{ route('talk.store', [$review, $item]) }}">@csrf
                            <label class="visually-hidden" for="body">Message</label>
                            <textarea class="input serif" id="body" name="body" rows="2" maxlength="4000" required>{{ old('body') }}</textarea>
                            @error('body') <p class="field-error" role="alert">{{ $message }}</p> @enderror
                            <button class="button mt-2">Write</button>
                        </form>
                    @endcan
                </div>
            </section>
        </div>
    @endif
</x-page>
