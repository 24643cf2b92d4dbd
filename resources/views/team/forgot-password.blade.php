<x-page title="Forgotten password">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Choose a new password</h1>
            </header>
            <form class="sheet-body" method="post" action="{{ route('password.forgotten') }}">
                @csrf
                <x-field name="email" label="E-mail address" type="email" autocomplete="username"
                    help="We send a link to it that works for an hour." required autofocus />
                <button class="button button-go">Send the link</button>
            </form>
        </section>
    </div>
</x-page>
