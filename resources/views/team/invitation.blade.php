<x-page title="Invitation">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Invitation to “{{ $invitation->review->title }}”</h1>
            </header>
            <div class="sheet-body">
                @if ($invitation->accepted_at || $invitation->withdrawn_at || $invitation->expires_at->isPast())
                    <p>This invitation can no longer be used. Ask the review lead for a new one.</p>
                @else
                    <p>{{ $invitation->inviter->name }} invites {{ $invitation->email }} as
                        <strong>{{ $invitation->role->label() }}</strong>, who {{ $invitation->role->purpose() }}.</p>
                    @if ($user && !$theirs)
                        <p class="mt-4">You are signed in as <strong>{{ $user->email }}</strong>, so it is not for you to accept. If
                            {{ $invitation->email }} is you as well:</p>
                        <form class="mt-2" method="post" action="{{ route('sign-out') }}" data-signs-out>@csrf <input type="hidden" name="then"
                                value="{{ $token }}"><button class="button button-go">Sign out and go on as
                                {{ $invitation->email }}</button></form>
                        <p class="small quiet mt-2">Otherwise leave it alone, or tell {{ $invitation->inviter->name }} that it reached you.
                        </p>
                    @else
                        <form class="mt-4" method="post" action="{{ route('invitations.accept', $token) }}">
                            @csrf
                            @if ($user)
                                <p class="mb-4">You are signed in as {{ $user->email }}.</p>
                            @elseif (!$known)
                                <x-field name="name" label="Your name, as the team knows you" autocomplete="name" required />
                                <x-field name="password" label="Choose a password" type="password" help="At least 12 characters."
                                    autocomplete="new-password" required />
                                <x-field name="password_confirmation" label="The same again" type="password" autocomplete="new-password"
                                    required />
                            @endif
                            <button
                                class="button button-go">{{ $user || !$known ? 'Accept the invitation' : 'Sign in to accept' }}</button>
                        </form>
                    @endif
                @endif
            </div>
        </section>
    </div>
</x-page>
