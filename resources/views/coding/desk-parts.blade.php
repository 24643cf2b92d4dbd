{{-- The arms, sites and other parts of the study that items are asked of one by one. --}}
@foreach ($parts as $of)
    <details class="study-parts" id="parts-{{ $loop->index }}" @if ($of->there->isEmpty() || $errors->hasAny(['name', 'arm'])) open @endif>
        <summary>{{ Str::ucfirst(Str::plural($of->kind)) }} of this study <span class="quiet">{{ $of->there->count() ?: 'none named' }}</span></summary>
        @foreach ($of->there as $part)
            @php($called = $part->name . ($part->arm ? ", {$part->arm->name}" : ''))
            @if ($desk['mayCode'])
                <details class="study-part">
                    <summary>{{ $called }}</summary>
                    <form class="row" method="post" action="{{ route('parts.update', [$review, $publication, $part]) }}">@csrf @method('put')
                        <input class="input" name="name" value="{{ $part->name }}" maxlength="200" required
                            aria-label="Name of the {{ $of->kind }}">
                        @include('coding.desk-part-arm')
                        <button class="button button-plain">Change</button>
                        <button class="button button-plain" form="out-{{ $part->id }}"
                            aria-label="Take out: {{ $part->name }}">Take out</button>
                    </form>
                    <form id="out-{{ $part->id }}" method="post" action="{{ route('parts.move', [$review, $publication, $part]) }}">@csrf
                        <input type="hidden" name="do" value="out"></form>
                </details>
            @else
                <p class="study-part">{{ $called }}</p>
            @endif
        @endforeach
        @if ($desk['mayCode'])
            <form class="row study-part" method="post" action="{{ route('parts.store', [$review, $publication]) }}">@csrf
                <input type="hidden" name="kind" value="{{ $of->kind }}">
                <input class="input" name="name" maxlength="200" required placeholder="as the paper calls it"
                    aria-label="Name of another {{ $of->kind }}" autocomplete="off">
                @include('coding.desk-part-arm', ['part' => null])
                <button class="button">Name it</button>
            </form>
            @if ($of->offered !== [])
                <form class="row small study-part" method="post" action="{{ route('parts.store', [$review, $publication]) }}">@csrf
                    <input type="hidden" name="kind" value="{{ $of->kind }}"> <span class="quiet">In its tables:</span>
                    @foreach ($of->offered as $name)
                        <button class="button button-plain" name="name" value="{{ $name }}">+ {{ $name }}</button>
                    @endforeach
                </form>
            @endif
            @foreach ($of->out as $part)
                <form class="row small quiet" method="post" action="{{ route('parts.move', [$review, $publication, $part]) }}">@csrf
                    <input type="hidden" name="do" value="back"> {{ $part->name }}, taken out
                    <button class="button button-plain" aria-label="Put back: {{ $part->name }}">Put back</button>
                </form>
            @endforeach
        @endif
    </details>
@endforeach
@error('name')
    <p class="field-error" role="alert">{{ $message }}</p>
@enderror
