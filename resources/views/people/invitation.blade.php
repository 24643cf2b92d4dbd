<x-page title="Invitation">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head"><h1>Invitation to “{{ $invitation->review->title }}”</h1></header>
            <div class="sheet-body">
                @if ($invitation->accepted_at || $invitation->withdrawn_at || $invitation->expires_at->isPast())
                    <p>This invitation can no longer be used. Ask the review lead for a new one.</p>
                @else
                    <p>{{ $invitation->inviter->name }} invites {{ $invitation->email }} as <strong>{{ $invitation->role->label() }}</strong>, who {{ $invitation->role->purpose() }}.</p>
                    <form class="mt-4" method="post" action="{{ route('invitations.accept', $token) }}">
                        @csrf
                        @if ($user)
                            <p class="mb-4">You are signed in as {{ $user->email }}.</p>
                        @elseif (! $known)
                            <x-field name="name" label="Your name, as the team knows you" autocomplete="name" required />
                            <x-field name="password" label="Choose a password" type="password" help="At least 12 characters." autocomplete="new-password" required />
                            <x-field name="password_confirmation" label="The same again" type="password" autocomplete="new-password" required />
                        @endif
                        <button class="button button-go">{{ $user || ! $known ? 'Accept the invitation' : 'Sign in to accept' }}</button>
                    </form>
                @endif
            </div>
        </section>
    </div>
</x-page>
