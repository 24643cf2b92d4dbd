<x-page title="Your account">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Your account</h1> <span>{{ $user->email }}</span>
            </header>
            <form class="sheet-body" method="post" action="{{ route('account.change') }}">
                @csrf @method('put')
                <x-field name="name" label="Name" :value="$user->name" autocomplete="name" required />
                <x-field name="current_password" label="Your password now" type="password" help="Needed only to change it."
                    autocomplete="current-password" />
                <x-field name="password" label="New password" type="password"
                    help="At least 12 characters. Other places where you are signed in are signed out." autocomplete="new-password" />
                <x-field name="password_confirmation" label="The same again" type="password" autocomplete="new-password" />
                <button class="button button-go">Save</button>
            </form>
            <form class="sheet-foot" method="post" action="{{ route('sign-out') }}" data-signs-out>@csrf <button class="button">Sign out</button></form>
        </section>
        @include('team.second-factor')
        <section class="sheet mt-3" id="notices">
            <header class="sheet-head">
                <h2>What I am told of</h2> <span><a href="{{ route('notices') }}">see my notices</a></span>
            </header>
            <form class="sheet-body" method="post" action="{{ route('account.notices') }}">@csrf @method('put')
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">When</th>
                            <th scope="col">here</th>
                            <th scope="col">by mail</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach (\App\Notices\NoticeKind::cases() as $kind)
                            <tr>
                                <td>{{ $kind->label() }}</td>
                                @foreach (['app' => 'here', 'mail' => 'by mail'] as $way => $how)
                                    <td><input type="checkbox" name="wanted[{{ $way }}][{{ $kind->value }}]" value="1"
                                            aria-label="{{ ucfirst($how) }}: {{ $kind->label() }}" @checked($user->wants($kind, $way))></td>
                                @endforeach
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                <button class="button mt-2">Save</button>
            </form>
        </section>
        <section class="sheet mt-3" id="sessions">
            <header class="sheet-head">
                <h2>Where I am signed in</h2> <span>a sign-in ends after seven days without use, at the latest after thirty</span>
            </header>
            <table class="table">
                <thead>
                    <tr>
                        <th scope="col">Browser</th>
                        <th scope="col">From</th>
                        <th scope="col">Last used</th>
                        <th scope="col"><span class="visually-hidden">End</span></th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($sessions as $session)
                        <tr>
                            <td>{{ Str::limit($session->user_agent ?: 'not told', 70) }}</td>
                            <td>{{ $session->ip_address }}</td>
                            <td>{{ $session->id === $here ? 'here, now'
                                : \Carbon\CarbonImmutable::createFromTimestampUTC($session->last_activity)->format('j M Y, H:i') }}
                            </td>
                            <td>
                                @if ($session->id !== $here)
                                    <form method="post" action="{{ route('sessions.end') }}">@csrf @method('delete') <input type="hidden"
                                            name="session" value="{{ hash('sha256', $session->id) }}"><button
                                            class="button button-plain">End</button></form>
                                @endif
                            </td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            @if ($sessions->count() > 1)
                <form class="sheet-foot" method="post" action="{{ route('sessions.end') }}">@csrf @method('delete') <button
                        class="button">End all others</button></form>
            @endif
        </section>
        <section class="sheet mt-3" id="data">
            <header class="sheet-head">
                <h2>What is kept about me</h2> <span><a href="{{ route('account.data') }}" download>take it away as JSON</a></span>
            </header>
            <details class="sheet-body" @if ($errors->hasAny(['removing_password', 'sure'])) open @endif>
                <summary class="cursor-pointer">Remove my account</summary>
                <p class="mt-2">Your name and address go from everywhere, from sentences of the Log and of Talk too; your sign-ins, notices,
                    questions and tokens with them. What you decided, answered and wrote in reviews stays, by “Former member” and four
                    letters, so that they can still be followed. What was shared out to you and is not judged is free again. This cannot be
                    taken back.</p>
                <form class="mt-2" method="post" action="{{ route('account.remove') }}">@csrf @method('delete')
                    <x-field name="removing_password" label="Your password" type="password" autocomplete="current-password" required />
                    <label><input type="checkbox" name="sure" value="1"> I am sure</label>
                    @error('sure')
                        <p class="field-error" role="alert">{{ $message }}</p>
                    @enderror
                    <button class="button mt-2">Remove my account</button>
                </form>
            </details>
        </section>
    </div>
</x-page>
