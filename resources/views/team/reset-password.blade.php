<x-page title="New password">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Your new password</h1>
            </header>
            <form class="sheet-body" method="post" action="{{ route('password.update') }}">
                @csrf
                <input type="hidden" name="token" value="{{ $token }}">
                <x-field name="email" label="E-mail address" type="email" :value="$email" autocomplete="username" required />
                <x-field name="password" label="New password" type="password"
                    help="At least 12 characters. A few words in a row are easier to remember than signs." autocomplete="new-password"
                    required />
                <x-field name="password_confirmation" label="The same again" type="password" autocomplete="new-password" required />
                <button class="button button-go">Set the password</button>
            </form>
        </section>
    </div>
</x-page>
