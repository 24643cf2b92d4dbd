<x-page :title="$letter->subject">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>{{ $letter->subject }}</h1> <span>to {{ $letter->recipient }}, {{ $letter->created_at->format('j M Y, H:i') }}</span>
            </header>
            <div class="reading">
                @foreach (preg_split('/\R{2,}/', trim($letter->body)) as $paragraph)
                    @if (str_starts_with($paragraph, config('app.url') . '/'))
                        <p><a href="{{ $paragraph }}">{{ $paragraph }}</a></p>
                    @else
                        <p>{{ $paragraph }}</p>
                    @endif
                @endforeach
            </div>
            <footer class="sheet-foot"><a href="{{ route('post-room') }}">Back to the post room</a></footer>
        </section>
    </div>
</x-page>
