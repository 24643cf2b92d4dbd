@use('App\Queries\Synthesis\Shown')
<x-page title="Analyses" :review="$review" stage="synthesis" place="analyses">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Analyses</h1> <span>definitions that are run again on what there is</span>
            </header>
            @forelse ($analyses as ['kept' => $kept, 'pooled' => $pooled])
                <div class="section">
                    <p><a class="title-link" href="{{ route('analyses.show', [$review, $kept]) }}">{{ $kept->title }}</a></p>
                    @if ($pooled !== null)
                        @php($all = $pooled->pooled())
                        <p>{{ $all->k }} {{ Str::plural('study', $all->k) }}: {{ $pooled->terms->measure->label() }}
                            <strong class="number">{{ Shown::pooled($pooled->terms->measure, $all, $pooled->size()) ?: 'nothing to pool yet' }}</strong>
                        </p>
                        <p class="small quiet">{{ $pooled->outcome->name }}, {{ $pooled->terms->by->label() }}</p>
                    @endif
                </div>
            @empty
                <x-empty title="Nothing is pooled yet">Define an outcome, take its results at the Coding Desk under <em>Numbers</em>, and pool them
                    here.</x-empty>
            @endforelse
        </section>
        @can('code', $review)
            <section class="sheet">
                <header class="sheet-head">
                    <h2>New analysis</h2>
                </header>
                @if ($book->isEmpty())
                    <p class="sheet-body">First define <a href="{{ route('outcomes', $review) }}">an outcome</a>.</p>
                @else
                    <form class="sheet-body" method="post" action="{{ route('analyses.store', $review) }}">@csrf
                        <div class="field"><label for="outcome">Pool</label><select class="input" id="outcome" name="outcome">
                                @foreach ($book->outcomes as $outcome)
                                    <option value="{{ $outcome->id }}">{{ $outcome->name }}</option>
                                @endforeach
                            </select></div>
                        <div class="field"><label for="comparison">Comparing</label><select class="input" id="comparison" name="comparison">
                                @foreach ($book->comparisons as $comparison)
                                    <option value="{{ $comparison->id }}">{{ $comparison->words() }}</option>
                                @endforeach
                                <option value="">nothing: one group is described</option>
                            </select></div>
                        <div class="field"><label for="title">Name of the analysis</label><input class="input" id="title" name="title"
                                maxlength="200"></div>
                        <button class="button button-go">Pool them</button>
                    </form>
                @endif
            </section>
        @endcan
    </div>
</x-page>
