<section class="sheet reading-report no-print" id="comments" aria-label="Comments">
    <h2>Comments</h2>
    @if (session('notice'))
        <p role="status">{{ session('notice') }}</p>
    @endif
    @foreach ($said as $one)
        <article class="reader-comment">
            <p class="small quiet"><strong>{{ $one->name }}</strong>, {{ $one->created_at->format('j M Y') }}{{ $one->about === '' ? '' : ', on “' . $one->about . '”' }}</p>
            <p class="as-typed" dir="auto">{{ $one->body }}</p>
        </article>
    @endforeach
    @if ($isHeard)
        <form method="post" action="{{ route('reading.comment', $token) }}">@csrf
            <p class="small quiet">The team reads what you say, and so do others who were given this address.</p>
            <div class="field"><label for="reader">Your name</label><input class="input" id="reader" name="name" maxlength="100" required
                    autocomplete="name" value="{{ old('name') }}"></div>
            <div class="field"><label for="about">About</label><select class="input" id="about" name="about">
                    <option value="">the whole report</option>
                    @foreach ($headings as $heading)
                        <option @selected(old('about') === $heading)>{{ $heading }}</option>
                    @endforeach
                </select></div>
            <div class="field"><label for="body">Comment</label>
                <textarea class="input" id="body" name="body" rows="5" maxlength="4000" required>{{ old('body') }}</textarea>
            </div>
            @if ($errors->any())
                <p class="field-error" role="alert">{{ $errors->first() }}</p>
            @endif
            <button class="button button-go">Send to the team</button>
        </form>
    @endif
</section>
