<x-page title="Notices">
    <div class="narrow">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Notices</h1> <span><a href="{{ route('account') }}#notices">choose which you get</a></span>
            </header>
            @forelse ($notices as $notice)
                <form class="section" method="post" action="{{ route('notices.read') }}">@csrf <input type="hidden" name="notice"
                        value="{{ $notice->id }}">
                    <button class="button-plain text-left -ml-2">
                        @if ($notice->read_at === null)
                            <strong>{{ $notice->data['text'] }}</strong>@else{{ $notice->data['text'] }}
                        @endif
                    </button>
                    <p class="small quiet">{{ $notice->data['review'] }} ·
                        {{ $notice->created_at->format('j M Y, H:i') }}{{ $notice->read_at === null ? ' · not read' : '' }}</p>
                </form>
            @empty
                <x-empty title="Nothing to tell you yet">You are told here, and by mail, when a share is ready for you, when somebody
                    mentions you, when a disagreement waits, and when a stage you lead is done.</x-empty>
            @endforelse
            @if ($notices->contains(fn($one) => $one->read_at === null))
                <form class="sheet-foot" method="post" action="{{ route('notices.read') }}">@csrf <button class="button">Mark all as
                        read</button></form>
            @endif
        </section>
    </div>
</x-page>
