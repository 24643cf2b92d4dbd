<x-page title="Your account">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head"><h1>Your account</h1> <span>{{ $user->email }}</span></header>
            <form class="sheet-body" method="post" action="{{ route('account.change') }}">
                @csrf @method('put')
                <x-field name="name" label="Name" :value="$user->name" autocomplete="name" required />
                <x-field name="current_password" label="Your password now" type="password" help="Needed only to change it." autocomplete="current-password" />
                <x-field name="password" label="New password" type="password" help="At least 12 characters. Other places where you are signed in are signed out." autocomplete="new-password" />
                <x-field name="password_confirmation" label="The same again" type="password" autocomplete="new-password" />
                <button class="button button-go">Save</button>
            </form>
        </section>
    </div>
</x-page>
