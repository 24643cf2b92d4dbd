<x-page title="Sign in">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Sign in</h1>
            </header>
            <form class="sheet-body" method="post" action="{{ route('sign-in') }}">
                @csrf
                <x-field name="email" label="E-mail address" type="email" autocomplete="username" required autofocus />
                <x-field name="password" label="Password" type="password" autocomplete="current-password" required />
                <div class="row"><button class="button button-go">Sign in</button> <a href="{{ route('password.forgotten') }}">Forgotten
                        your password?</a></div>
            </form>
        </section>
        @if (config('heron.demo'))
            <p class="small quiet">This is a demo. <a href="{{ route('post-room') }}">The post room</a> shows the mail that it sends.</p>
        @endif
    </div>
</x-page>
