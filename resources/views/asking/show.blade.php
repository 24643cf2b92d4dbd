@php
    $scope = old('scope', $asked->scope ?? ['coded', 'texts']);
    $studies = count($asked?->studies() ?? []);
@endphp
<x-page title="Ask" :review="$review" stage="report" place="ask">
    <div class="desk desk-side" @if ($isWaiting) data-reload-when-done @endif>
        <section class="sheet">
            <form class="sheet-body ask-form" method="post" action="{{ route('ask.store', $review) }}">@csrf
                <label class="field block" for="question"><strong>{{ $asked ? 'Ask further, or something else' : 'Ask what the review holds' }}</strong>
                    <input class="input" id="question" name="question" maxlength="400" required value="{{ old('question') }}"
                        placeholder="{{ $asked ? '' : 'Was glare a complaint? Which outcome has the most studies?' }}" @unless ($asked) autofocus @endunless></label>
                <div class="row">
                    @foreach ($scopes as $key => $words)
                        <label><input type="checkbox" name="scope[]" value="{{ $key }}" @checked(in_array($key, $scope, true))>
                            {{ $words }}</label>
                    @endforeach
                </div>
                @if ($asked)
                    <input type="hidden" name="after" value="{{ $asked->id }}">
                    @if ($studies > 0)
                        <label class="block mt-1"><input type="checkbox" name="narrow" value="1" @checked($asked->only_of !== null)> only of
                            the {{ $studies }} {{ $studies === 1 ? 'study' : 'studies' }} found below</label>
                    @endif
                @endif
                @foreach ($errors->all() as $problem)
                    <p class="problem" role="alert">{{ $problem }}</p>
                @endforeach
                <button class="button button-go mt-2">Ask</button>
            </form>
            @if ($asked)
                <header class="sheet-head">
                    <h1 class="serif">{{ $asked->question }}</h1>
                    <span>{{ $asked->created_at->format('j M Y, H:i') }}</span>
                </header>
                <div class="sheet-body">
                    @if ($before)
                        <p class="small quiet">after <a href="{{ route('ask.show', [$review, $before->id]) }}">{{ $before->question }}</a>
                            @if ($asked->only_of !== null)
                                · only of {{ count($asked->only_of) }} {{ count($asked->only_of) === 1 ? 'study' : 'studies' }}
                            @endif
                        </p>
                    @endif
                    @if ($isWaiting)
                        <p class="small quiet" role="status">A service of this copy is asked too; what it points to is added here.</p>
                    @endif
                    @include('asking.numbers')
                    @forelse ($asked->found['pieces'] as $n => $one)
                        <article class="ask-piece">
                            <p class="small"><strong>{{ $one['study'] }}</strong> {{ $one['where'] === '' ? '' : "· {$one['where']}" }}
                                <span class="quiet">· {{ $one['kind'] }}</span> <span class="lead-mark"
                                    title="{{ $one['reason'] }}">{{ $one['confidence'] }}</span></p>
                            @if ($one['says'] !== '')
                                <p>{{ $one['says'] }}</p>
                            @endif
                            @if ($one['quote'] !== '')
                                <p class="serif" dir="auto">“{{ $one['quote'] }}”</p>
                            @endif
                            <div class="row small">
                                <a href="{{ $one['url'] }}{{ $one['kind'] === 'text' ? '#find-' . rawurlencode(Str::words($one['quote'], 6, '')) : '' }}">Open it there</a>
                                @if ($mayClaim && $one['evidence'])
                                    <form method="post" action="{{ route('ask.claim', [$review, $asked->id]) }}">@csrf
                                        <button class="link" name="piece" value="{{ $n }}">Into the report, as a claim</button>
                                    </form>
                                @endif
                                <span class="quiet">{{ $one['reason'] }}</span>
                            </div>
                        </article>
                    @empty
                        <p @if ($asked->found['counted'] !== []) hidden @endif>Nothing that was looked at holds enough of what was asked. Ask in other words, or look in more places.</p>
                    @endforelse
                    @if ($asked->found['nowhere'] !== [] && $asked->found['looked'] !== [])
                        <p class="small says-warn mt-2">In none of it stands: {{ implode(', ', $asked->found['nowhere']) }}.</p>
                    @endif
                    <p class="small quiet mt-2">Looked at:
                        {{ collect($asked->found['looked'])->map(fn($count, $key): string => number_format($count) . ' ' . ($key === 'coded' ? 'answers, results, passages and decisions' : "sentences of {$scopes[$key]}"))->implode(', ') ?: 'the analyses' }}.
                        What stands here is quoted, counted or read from the analyses; nothing of it was written by machine.</p>
                </div>
            @endif
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Asked by you</h2>
            </header>
            <div class="sheet-body">
                @forelse ($history as $one)
                    <p class="mt-1"><a href="{{ route('ask.show', [$review, $one->id]) }}"
                            @if ($asked && $one->id === $asked->id) aria-current="page" @endif>{{ $one->question }}</a> <span
                            class="small quiet">{{ $one->created_at->format('j M') }}</span></p>
                @empty
                    <p class="quiet">What you ask is kept here, for you alone.</p>
                @endforelse
                @if ($asked)
                    <form class="mt-2" method="post" action="{{ route('ask.forget', [$review, $asked->id]) }}">@csrf @method('delete')
                        <button class="button button-plain">Forget this question</button>
                    </form>
                @endif
            </div>
        </section>
    </div>
</x-page>
