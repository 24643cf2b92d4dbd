<x-page title="Is it you?">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Is it you?</h1> <span>asked before what lets others in or cannot be taken back</span>
            </header>
            <form class="sheet-body" method="post" action="{{ route('who-again') }}">
                @csrf
                <x-field name="password" label="Your password" type="password" autocomplete="current-password" required autofocus />
                <div class="row"><button class="button button-go">It is me</button>
                    @if (\App\Access\Institution::isThere())
                        <a href="{{ route('institution') }}">Show it by {{ \App\Access\Institution::name() }}</a>
                    @endif
                </div>
            </form>
        </section>
    </div>
</x-page>
