<div class="section" id="made" @if ($made->isUnderWay) data-reload-when-done @endif>
    <h3>Made in the background</h3>
    <form class="row" method="post" action="{{ route('made.store', $review) }}">@csrf
        <button class="button" name="kind" value="report-pdf">Report as PDF</button>
        <button class="button" name="kind" value="report-docx">DOCX</button>
        <button class="button" name="kind" value="supplements"
            title="Each step as a file: searches, strategies, references, decisions, coding, evidence, flow, Log">Supplementary files</button>
    </form>
    @error('kind')
        <p class="problem" role="alert">{{ $message }}</p>
    @enderror
    @if ($made->files->isNotEmpty())
        <ul class="mt-2">
            @foreach ($made->files as $one)
                <li class="small"><a href="{{ route('made.download', [$review, $one]) }}"
                        title="SHA-256 {{ $one->sha256 }}">{{ $one->kind->label() }}</a> <span
                        class="quiet">{{ number_format($one->bytes / 1024) }} kB, {{ $one->created_at->format('j M Y, H:i') }},
                        {{ $one->user->name }}</span></li>
            @endforeach
        </ul>
        <p class="small quiet mt-1">Kept for fourteen days.</p>
    @endif
</div>
@can('close', $review)
    <div class="section" id="whole">
        <h3>The whole review</h3>
        <p class="small">An archive is one file of open formats that holds everything, for years to come or for another
            installation.</p>
        <form class="mt-1" method="post" action="{{ route('made.store', $review) }}">@csrf
            <button class="button" name="kind" value="archive">Write an archive</button>
            <button class="button button-plain" name="kind" value="bare-archive">without full texts</button>
        </form>
        @error('archive')
            <p class="problem" role="alert">{{ $message }}</p>
        @enderror
        <form class="mt-2" method="post" action="{{ route('reviews.close', $review) }}">@csrf @method('put')
            <button class="button" name="closed" value="{{ $review->closed_at ? 0 : 1 }}">{{ $review->closed_at
                ? 'Open the review again' : 'Close the review' }}</button> <span class="small quiet">{{ $review->closed_at
                ? 'It is read, and nothing in it is changed.' : 'Then it is read, and nothing in it is changed.' }}</span>
        </form>
        <form class="mt-2" method="post" action="{{ route('reviews.copy', $review) }}">@csrf
            <label class="field block small">Start another that is set up like it: question, criteria, stages, codebook, outcomes, and none of its
                data <input class="input" name="title" maxlength="200" required placeholder="Its title"></label>
            <button class="button">Start it</button>
        </form>
    </div>
@endcan
