{{-- A review on the first page: its stream in small, what waits, what is next, and what others did meanwhile. --}}
@props(['one'])
@php($waiting = $one->waterline->waiting)
<section class="sheet home-review" aria-labelledby="review-{{ $one->review->id }}">
    <header class="sheet-head">
        <h2 id="review-{{ $one->review->id }}"><a href="{{ route('reviews.show', $one->review) }}">{{ $one->review->title }}</a></h2>
        <span>{{ $one->role->label() }}</span>
    </header>
    <div class="home-body">
        <div class="home-work">
            @if ($one->review->question !== '')
                <p class="serif">{{ $one->review->question }}</p>
            @endif
            <ul class="home-waits">
                <x-waits :count="$waiting->toScreen" words="to screen" :href="route('desk', $one->review)" />
                <x-waits :count="$waiting->toReadInFull" words="to read in full" :href="route('desk', [$one->review, 'stage' => $one->fullTextStage])" />
                <x-waits :count="$waiting->toSettle" :words="$waiting->toSettle === 1 ? 'disagreement' : 'disagreements'"
                    :href="route('disagreements', $one->review)" />
                <x-waits :count="$waiting->toCode" words="to code" :href="route('coding', $one->review)" />
                @if ($waiting->all() === 0)
                    <li class="quiet">Nothing waits for you here.</li>
                @endif
            </ul>
            @if ($one->waterline->next !== [])
                <p class="small">Next:
                    @foreach ($one->waterline->next as $step){{ $loop->first ? '' : ($loop->last ? ', then ' : ', ') }}<a
                        href="{{ $step->url }}">{{ $step->words }}</a>@endforeach
                </p>
            @endif
        </div>
        <div class="home-state">
            <svg class="home-stream" viewBox="0 0 {{ \App\Queries\Shared\Waterline::WIDTH }} 30" preserveAspectRatio="none" aria-hidden="true">
                <path d="{{ $one->waterline->stream->outline() }}" />
            </svg>
            <dl class="home-stages">
                @foreach ($one->waterline->stages as $stage)
                    <div>
                        <dt>{{ $stage->label }}</dt>
                        <dd><a href="{{ $stage->url }}"><strong>{{ number_format($stage->figure) }}</strong> {{ $stage->unit }}</a></dd>
                    </div>
                @endforeach
            </dl>
            @if ($one->since->at !== null)
                <p class="small quiet">
                    @if ($one->since->entries === [])
                        Nobody else did anything since you were last here, {{ $one->since->at->format('j M, H:i') }}.
                    @else
                        Since you were last here, {{ $one->since->at->format('j M, H:i') }}, others did
                        @foreach ($one->since->entries as $area => $entries){{ $loop->first ? '' : ($loop->last ? ' and ' : ', ') }}<a
                            href="{{ route('log', [$one->review, 'about' => $area, 'from' => $one->since->at->format('Y-m-d')]) }}">{{ number_format($entries) }}
                            in {{ $area }}</a>@endforeach.
                    @endif
                </p>
            @endif
        </div>
    </div>
</section>
