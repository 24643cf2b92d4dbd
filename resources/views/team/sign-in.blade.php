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
            @if (\App\Access\Institution::isThere())
                <p class="sheet-foot">Or <a class="button" href="{{ route('institution') }}">Sign in by
                        {{ \App\Access\Institution::name() }}</a></p>
            @endif
        </section>
        @if (config('heron.demo'))
            <p class="small quiet mt-2">This is a demo. <a href="{{ route('post-room') }}">The post room</a> shows the mail that it sends.</p>
        @endif
    </div>
</x-page>
