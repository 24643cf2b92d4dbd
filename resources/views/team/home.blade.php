<x-page title="What waits for me">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>What waits for me</h1> <span class="end"><a class="button" href="{{ route('reviews.create') }}">Start a
                        review</a></span>
            </header>
            @if ($reviews->isEmpty())
                <x-empty title="You are in no review yet">Start one, or ask a review lead to invite the address you signed in with.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th>Review</th>
                            <th>You are</th>
                            <th class="number">Publications</th>
                            <th>Waits for you</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($reviews as $one)
                            <tr>
                                <td><a class="title-link"
                                        href="{{ route('reviews.show', $one['review']) }}">{{ $one['review']->title }}</a><br><span
                                        class="small quiet">{{ $one['review']->question }}</span></td>
                                <td>{{ $one['role']->label() }}</td>
                                <td class="number">{{ number_format($one['publications']) }}</td>
                                <td>
                                    @if ($one['waiting']->all() === 0)
                                        <span class="quiet">nothing</span>
                                    @endif
                                    @if ($one['waiting']->toScreen > 0)
                                        <a class="waits-link" href="{{ route('desk', $one['review']) }}"><span
                                                class="waits">{{ number_format($one['waiting']->toScreen) }}</span> <span>to
                                                screen</span></a><br>
                                    @endif
                                    @if ($one['waiting']->toReadInFull > 0)
                                        <a class="waits-link"
                                            href="{{ route('desk', [$one['review'], 'stage' => \App\Queries\FullTexts\Retrievals::stage($one['review'])]) }}"><span
                                                class="waits">{{ number_format($one['waiting']->toReadInFull) }}</span> <span>to read in
                                                full</span></a><br>
                                    @endif
                                    @if ($one['waiting']->toSettle > 0)
                                        <a class="waits-link" href="{{ route('disagreements', $one['review']) }}"><span
                                                class="waits">{{ number_format($one['waiting']->toSettle) }}</span>
                                            <span>{{ $one['waiting']->toSettle === 1 ? 'disagreement' : 'disagreements' }}</span></a><br>
                                    @endif
                                    @if ($one['waiting']->toCode > 0)
                                        <a class="waits-link" href="{{ route('coding', $one['review']) }}"><span
                                                class="waits">{{ number_format($one['waiting']->toCode) }}</span> <span>to code</span></a>
                                    @endif
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
        </section>
    </div>
</x-page>
