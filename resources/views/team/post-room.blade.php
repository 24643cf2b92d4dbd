<x-page title="Post room">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Post room</h1> <span>mail that was sent from here, newest first</span>
            </header>
            @if ($letters->isEmpty())
                <x-empty title="No mail yet">Invitations and links for a new password appear here.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Sent</th>
                            <th scope="col">To</th>
                            <th scope="col">About</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($letters as $letter)
                            <tr>
                                <td class="quiet">{{ $letter->created_at->format('j M Y, H:i') }}</td>
                                <td>{{ $letter->recipient }}</td>
                                <td><a href="{{ route('post-room.letter', $letter) }}">{{ $letter->subject }}</a></td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
        </section>
    </div>
</x-page>
