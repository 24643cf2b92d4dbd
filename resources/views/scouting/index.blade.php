<x-page title="Scouting" :review="$review" stage="question" place="scouting">
    <div class="desk">
        @can('search', $review)
            <section class="sheet">
                <header class="sheet-head">
                    <h1>Ask the literature</h1> <span>a question in your own words; what answers it is shown with its sentence, and becomes part of
                        the review only where you say so</span>
                </header>
                <form class="sheet-body scout-ask" method="post" action="{{ route('scouting.ask', $review) }}">@csrf
                    <label class="visually-hidden" for="question">Question</label>
                    <input class="input serif scout-question" id="question" name="question" maxlength="500" required autofocus
                        value="{{ old('question', $review->question) }}"
                        placeholder="Does bright light in the night make hospital staff err less?">
                    @error('question')
                        <p class="says-warn" role="alert">{{ $message }}</p>
                    @enderror
                    <fieldset class="scout-sources">
                        <legend class="visually-hidden">Where to look</legend>
                        <span class="quiet">In this review’s library and</span>
                        @foreach ($sources as $key => $name)
                            <label><input type="checkbox" name="sources[]" value="{{ $key }}" checked> {{ $name }}</label>
                        @endforeach
                        <button class="button button-go end">Ask</button>
                        <button class="button" name="draft" value="1">Ask and draft a review</button>
                    </fieldset>
                    <p class="small quiet">Best is one that says what is done or met with, what may come of it, and among whom: “Does a planned nap
                        reduce sleepiness in night staff?” Also: how common something is, which instruments measure it, which of two does more.</p>
                </form>
            </section>
        @endcan
        <section class="sheet">
            <header class="sheet-head">
                <h2>Asked before</h2> <span>{{ $asked->count() ?: 'nothing yet' }}</span>
            </header>
            @if ($asked->isEmpty())
                <x-empty title="No question was asked yet">Before and beside the formal search, ask what is known. The answers stay here, each with the
                    sentence it rests on.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Question</th>
                            <th scope="col" class="number">Papers that answer</th>
                            <th scope="col">First draft</th>
                            <th scope="col">Asked by</th>
                            <th scope="col">Last asked</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($asked as $one)
                            <tr>
                                <td><a class="serif" href="{{ route('scouting.show', [$review, $one]) }}">{{ $one->question }}</a></td>
                                <td class="number">{{ number_format($one->papers_count) }}</td>
                                <td>
                                    @isset($drafts[$one->id])
                                        <a href="{{ route('drafts.show', [$review, $drafts[$one->id]]) }}">Open</a>
                                    @endisset
                                </td>
                                <td>{{ $one->asker->name }}</td>
                                <td>{{ ($one->ran_at ?? $one->created_at)->format('j M Y, H:i') }}</td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            @endif
        </section>
    </div>
</x-page>
