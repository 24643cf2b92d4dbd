<x-page title="What waits for me">
    <div class="desk">
        <header class="home-head">
            <h1>What waits for me</h1> <span class="row"><a class="button button-plain" href="{{ route('archives.create') }}">Bring in an archive</a> <a class="button"
                    href="{{ route('reviews.create') }}">Start a review</a></span>
        </header>
        @forelse ($reviews as $one)
            <x-home-review :one="$one" />
        @empty
            <section class="sheet"><x-empty title="You are in no review yet">Start one, or ask a review lead to invite the address you
                    signed in with.</x-empty></section>
        @endforelse
    </div>
</x-page>
