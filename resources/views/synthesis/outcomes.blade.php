@use('WaryHeron\Core\Synthesis\Report\OutcomeKind')
<x-page title="Outcomes" :review="$review" stage="synthesis" place="outcomes">
    @php($mayChange = Gate::allows('manage', $review))
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Outcomes</h1> <span>what studies report results of, defined once</span>
            </header>
            @forelse ($book->outcomes as $outcome)
                <div class="section" id="outcome-{{ $outcome->id }}">
                    <p><strong>{{ $outcome->name }}</strong> <span class="quiet">{{ $outcome->kind->label() }}{{ $outcome->unit !== '' ? ", {$outcome->unit}" : '' }}{{ $outcome->better !== '' ? ", {$outcome->better} is better" : '' }}</span>
                    </p>
                    @if ($outcome->about !== '')
                        <p class="small">{{ $outcome->about }}</p>
                    @endif
                    @foreach ($outcome->scales as $scale)
                        <p class="small quiet">{{ $scale['name'] }}{{ $scale['low'] !== null ? ", {$scale['low']} to {$scale['high']}" : '' }}{{ $scale['reversed'] ? ', runs the other way' : '' }}</p>
                    @endforeach
                    @php($count = $counts->get($outcome->id))
                    <p class="small">{{ $count === null ? 'No results yet.' : "{$count->results} " . Str::plural('result', $count->results) . " of {$count->studies} " . Str::plural('publication', $count->studies) }}</p>
                    @php($uses = $used->outcome($outcome))
                    @if ($uses !== [])
                        <details class="small uses">
                            <summary>Used {{ count($uses) === 1 ? 'once' : count($uses) . ' times' }}</summary>
                            <x-uses :uses="$uses" />
                        </details>
                    @endif
                    @if ($mayChange)
                        <details class="mt-1 no-print">
                            <summary class="small cursor-pointer">Change</summary>
                            <form class="mt-3" method="post" action="{{ route('outcomes.update', [$review, $outcome]) }}">@csrf @method('put')
                                <x-shown :of="$outcome" />
                                <x-outcome-form :outcome="$outcome" />
                                <button class="button button-go">Save</button>
                            </form>
                            <form class="mt-2" method="post" action="{{ route('outcomes.retire', [$review, $outcome]) }}">@csrf
                                <button class="button button-plain">Retire it</button></form>
                        </details>
                    @endif
                </div>
            @empty
                <x-empty title="No outcome is defined yet">An outcome is what is pooled: an event that people have or not, a quantity that is
                    measured, a ratio that studies estimate.</x-empty>
            @endforelse
        </section>
        <div class="grid gap-3">
            <section class="sheet">
                <header class="sheet-head">
                    <h2>Groups and comparisons</h2>
                </header>
                <div class="sheet-body">
                    @forelse ($book->comparisons as $comparison)
                        <div class="row"><span class="grow">{{ $comparison->words() }}</span>
                            @if ($mayChange)
                                <form method="post" action="{{ route('comparisons.retire', [$review, $comparison]) }}">@csrf<button
                                        class="button button-plain" aria-label="Retire: {{ $comparison->words() }}">Retire</button></form>
                            @endif
                        </div>
                    @empty
                        <p class="quiet">Nothing is compared yet. Define a group that gets the intervention and one that does not.</p>
                    @endforelse
                    @if ($mayChange)
                        <form class="mt-3" method="post" action="{{ route('groups.store', $review) }}">@csrf
                            <div class="field row"><label class="grow">New group <input class="input" name="arm" maxlength="200" required></label>
                                <label>which is <select class="input" name="arm_kind">
                                        <option value="intervention">an intervention</option>
                                        <option value="comparator">a comparator</option>
                                    </select></label></div>
                            <button class="button">Define the group</button>
                        </form>
                        @if ($book->arms->count() > 1)
                            <form class="mt-3" method="post" action="{{ route('comparisons.store', $review) }}">@csrf
                                <div class="field row"><label class="grow">Compare <select class="input" name="intervention">
                                            @foreach ($book->arms->sortByDesc('kind') as $arm)
                                                <option value="{{ $arm->id }}">{{ $arm->name }}</option>
                                            @endforeach
                                        </select></label>
                                    <label class="grow">against <select class="input" name="comparator">
                                            @foreach ($book->arms->sortBy('kind') as $arm)
                                                <option value="{{ $arm->id }}">{{ $arm->name }}</option>
                                            @endforeach
                                        </select></label></div>
                                <button class="button">Define the comparison</button>
                            </form>
                        @endif
                    @endif
                </div>
            </section>
            @if ($mayChange)
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>New outcome</h2>
                    </header>
                    <form class="sheet-body" method="post" action="{{ route('outcomes.store', $review) }}">@csrf
                        @if ($errors->any())
                            <p class="field-error mb-2" role="alert">{{ $errors->first() }}</p>
                        @endif
                        <x-outcome-form />
                        <button class="button button-go">Define the outcome</button>
                    </form>
                </section>
            @endif
        </div>
    </div>
</x-page>
