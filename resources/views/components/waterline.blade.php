@props(['waterline', 'current' => ''])
{{-- a review without records has no stream yet --}}
@php($flows = $waterline->stages[1]->figure > 0 || $waterline->stages[2]->figure > 0)
<nav {{ $attributes->class('waterline') }} aria-label="Stages of the review">
    <ol class="waterline-stages">
        @foreach ($waterline->stages as $stage)
            <li>
                <a class="waterline-stage" href="{{ $stage->url }}" @if ($stage->key === $current) aria-current="true" @endif>
                    {{ $stage->label }}
                    @if ($stage->waits > 0)
                        <span class="waits">{{ number_format($stage->waits) }}<span class="visually-hidden"> wait for you</span></span>
                    @endif
                    <br><strong>{{ number_format($stage->figure) }}</strong> {{ $stage->unit }}
                </a>
            </li>
        @endforeach
    </ol>
    @if ($waterline->next !== [])
        <p @class(['next-steps', 'next-steps-wide' => !$waterline->stages[2]->outflow])>Next:
            @foreach ($waterline->next as $step){{ $loop->first ? '' : ($loop->last ? ', then ' : ', ') }}<a
                href="{{ $step->url }}">{{ $step->words }}</a>@endforeach
        </p>
    @endif
    @if ($flows)
        <svg class="waterline-stream" viewBox="0 0 {{ \App\Queries\Shared\Waterline::WIDTH }} 30" preserveAspectRatio="none" aria-hidden="true">
            <path d="{{ $waterline->stream->outline() }}" />
        </svg>
        <div class="waterline-outflows">
            @foreach ($waterline->stages as $stage)
                <span>
                    @if ($stage->outflow)
                        <a href="{{ $stage->outflow->url }}"><svg viewBox="0 0 14 12" aria-hidden="true">
                                <path d="M1 0q0 9 12 9" />
                            </svg>{{ $stage->outflow->text }}</a>
                    @endif
                </span>
            @endforeach
        </div>
    @endif
</nav>
