<section class="sheet mt-3" id="second-factor">
    <header class="sheet-head">
        <h2>Second factor</h2>
        <span>{{ $factor?->confirmed_at ? 'on since ' . $factor->confirmed_at->format('j M Y') : 'off: your password alone signs you in' }}</span>
    </header>
    <div class="sheet-body">
        @if (session('recovery'))
            <div role="status">
                <p><strong>Keep these recovery codes where you find them without your device.</strong> Each signs you in once. They are shown
                    only now.</p>
                <ul class="recovery">
                    @foreach (session('recovery') as $code)
                        <li><code>{{ $code }}</code></li>
                    @endforeach
                </ul>
            </div>
        @endif
        @if ($factor?->confirmed_at)
            <p>At sign-in a code of your device is asked for after the password. {{ count($factor->recovery) }} of your recovery codes are left.</p>
            <div class="row mt-2">
                <form method="post" action="{{ route('second-factor.codes') }}">@csrf <button class="button">New recovery codes</button></form>
                <form method="post" action="{{ route('second-factor') }}">@csrf @method('delete') <button class="button button-plain">Take it
                        off</button></form>
            </div>
        @elseif ($factor)
            <div class="key-beside">
                <div data-qr="{{ $factorAddress }}" role="img" aria-label="Picture of the key, for the camera of your device"></div>
                <div>
                    <p>Let the authenticator app of your device read the picture, or type the key into it:</p>
                    <p class="mt-1"><code class="key-text">{{ implode(' ', str_split($factor->key, 4)) }}</code></p>
                    <form class="mt-2" method="post" action="{{ route('second-factor') }}">@csrf @method('put')
                        <x-field name="code" label="Code that it shows now" autocomplete="one-time-code" required />
                        <button class="button button-go">Turn it on</button>
                    </form>
                    <form class="mt-1" method="post" action="{{ route('second-factor') }}">@csrf @method('delete') <button
                            class="link small">Not now</button></form>
                </div>
            </div>
        @else
            <p>A code that your telephone shows, asked for after the password, keeps out whoever has learnt your password.</p>
            <form class="mt-2" method="post" action="{{ route('second-factor') }}">@csrf <button class="button">Set up a second factor</button></form>
        @endif
    </div>
</section>
