<x-page title="A report">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head">
                <h1>A report</h1>
            </header>
            <form class="sheet-body" method="post" action="{{ route('reading.unlock', $token) }}">@csrf
                <div class="field"><label for="password">Password of this address</label><input class="input" id="password" type="password" name="password"
                        required autocomplete="off"></div>
                @error('password')
                    <p class="field-error" role="alert">{{ $message }}</p>
                @enderror
                <button class="button button-go">Read it</button>
            </form>
        </section>
    </div>
</x-page>
