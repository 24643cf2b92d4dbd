@use('App\Tasks\TaskState')
@php($isUnderWay = $brought->contains(fn($one) => $one->state->isUnderWay()))
<x-page title="Bring in an archive">
    @if ($isUnderWay)
        <x-slot:head>
            <meta http-equiv="refresh" content="3">
        </x-slot:head>
    @endif
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Bring in an archive</h1>
            </header>
            <form class="sheet-body" method="post" action="{{ route('archives.store') }}" enctype="multipart/form-data">
                @csrf
                <p>A review comes back as it was when the archive was written, and you lead it. Every file in it is checked first; if
                    anything is damaged or missing, nothing is taken.</p>
                <p class="mt-2 mb-2">Its people are named as they were. Nobody of this copy but you is taken for one of them: invite those who
                    are to go on with it.</p>
                <x-field name="file" label="Archive" help="A zip file of up to 200 MB. Larger ones are brought in by whoever runs this copy: heron bring-in.">
                    <input class="input" type="file" id="file" name="file" accept=".zip,application/zip" required>
                </x-field>
                <button class="button button-go">Bring it in</button>
            </form>
            @if ($brought->isNotEmpty())
                <div class="sheet-body section" role="status">
                    <h2>Brought by you</h2>
                    @foreach ($brought as $one)
                        <p class="mt-1">{{ $one->name }}, {{ $one->created_at->format('j M Y, H:i') }}:
                            @if ($one->brought)
                                <a href="{{ route('question', $one->brought) }}">{{ $one->brought->title }}</a> is here.
                            @elseif ($one->state === TaskState::Failed)
                                <span class="problem">{{ $one->problem }}</span>
                            @elseif ($isUnderWay)
                                being read …
                            @endif
                        </p>
                    @endforeach
                </div>
            @endif
        </section>
    </div>
</x-page>
