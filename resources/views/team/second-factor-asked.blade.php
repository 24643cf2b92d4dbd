<x-page title="Second factor">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head">
                <h1>One more thing to show</h1>
            </header>
            <form class="sheet-body" method="post" action="{{ route('sign-in.second') }}">
                @csrf
                <x-field name="code" label="Code of your device" help="Six digits; or one of the recovery codes that you kept."
                    autocomplete="one-time-code" required autofocus />
                <div class="row"><button class="button button-go">Sign in</button> <a href="{{ route('sign-in') }}">As somebody else</a></div>
            </form>
        </section>
        <p class="small quiet">Device lost, and no recovery code left? Whoever runs this copy can take your second factor off.</p>
    </div>
</x-page>
