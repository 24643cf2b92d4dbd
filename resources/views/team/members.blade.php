@use('App\Access\Role')
<x-page title="Team" :review="$review" stage="question" place="team">
    @php($mayChange = Gate::allows('manage', $review))
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Team</h1> <span>{{ $members->count() }} {{ $members->count() === 1 ? 'person' : 'people' }}</span>
            </header>
            <table class="table">
                <thead>
                    <tr>
                        <th scope="col">Name</th>
                        <th scope="col">Address</th>
                        <th scope="col">Role</th>
                        <th scope="col"><span class="visually-hidden">Change</span></th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($members as $member)
                        <tr>
                            <td>{{ $member->user->name }}</td>
                            <td>{{ $member->user->email }}</td>
                            <td>
                                @if ($mayChange)
                                    <form class="row" method="post" action="{{ route('team.change', [$review, $member]) }}">
                                        @csrf @method('put')
                                        <label class="visually-hidden" for="role-{{ $member->id }}">Role of
                                            {{ $member->user->name }}</label>
                                        <select class="input" name="role" id="role-{{ $member->id }}">
                                            @foreach (Role::cases() as $role)
                                                <option value="{{ $role->value }}" @selected($role === $member->role)>{{ $role->label() }}
                                                </option>
                                            @endforeach
                                        </select>
                                        <button class="button button-plain">Change</button>
                                    </form>
                                @else
                                    {{ $member->role->label() }}
                                @endif
                            </td>
                            <td>
                                @if ($mayChange)
                                    <x-menu label="Remove…" class="button button-plain" aria-label="Remove {{ $member->user->name }}…">
                                        <form method="post" action="{{ route('team.remove', [$review, $member]) }}">@csrf
                                            @method('delete')
                                            <p>Remove {{ $member->user->name }} from the review? What they decided, coded and wrote is
                                                kept; they no longer see it.</p>
                                            @if (($open[$member->user_id] ?? 0) > 0)
                                                <p class="mt-2"><strong>{{ number_format($open[$member->user_id]) }}
                                                        {{ $open[$member->user_id] === 1 ? 'item of theirs is' : 'items of theirs are' }}
                                                        not judged.</strong> They will be in nobody’s share, unless you <a
                                                        href="{{ route('share-outs', $review) }}">hand them on</a> first.</p>
                                            @endif
                                            <button class="button mt-2">Remove {{ $member->user->name }}</button>
                                        </form>
                                    </x-menu>
                                @endif
                            </td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            @if ($invitations->isNotEmpty())
                <header class="sheet-head border-t">
                    <h2>Invited</h2>
                </header>
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Address</th>
                            <th scope="col">Role</th>
                            <th scope="col">By</th>
                            <th scope="col">Until</th>
                            <th scope="col"><span class="visually-hidden">Change</span></th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($invitations as $invitation)
                            <tr>
                                <td>{{ $invitation->email }}</td>
                                <td>{{ $invitation->role->label() }}</td>
                                <td>{{ $invitation->inviter->name }}</td>
                                <td>{{ $invitation->expires_at->format('j M Y') }}</td>
                                <td>
                                    @if ($mayChange)
                                        <form method="post" action="{{ route('team.withdraw', [$review, $invitation]) }}">@csrf
                                            @method('delete') <button class="button button-plain">Withdraw</button></form>
                                    @endif
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
        </section>
        <div class="grid gap-3">
            @if ($mayChange)
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Invite somebody</h2>
                    </header>
                    <form class="sheet-body" method="post" action="{{ route('team.invite', $review) }}">
                        @csrf
                        <x-field name="email" label="E-mail address" type="email" required />
                        <x-field name="role" label="As">
                            <select class="input" name="role" id="role">
                                @foreach (Role::cases() as $role)
                                    <option value="{{ $role->value }}" @selected(old('role', 'reviewer') === $role->value)>{{ $role->label() }}</option>
                                @endforeach
                            </select>
                        </x-field>
                        <button class="button button-go">Send the invitation</button>
                    </form>
                </section>
            @endif
            <section class="sheet">
                <header class="sheet-head">
                    <h2>Roles</h2>
                </header>
                <dl class="sheet-body facts">
                    @foreach (Role::cases() as $role)
                        <dt>{{ $role->label() }}</dt>
                        <dd>{{ $role->purpose() }}</dd>
                    @endforeach
                </dl>
            </section>
        </div>
    </div>
</x-page>
