<x-page :title="$strategy->name . ', check'" :review="$review" stage="searches" place="searches">
    <div class="desk desk-side">
        <section class="sheet" x-data="findingActions" data-url="{{ route('strategies.change', [$review, $strategy], false) }}"
            data-revision="{{ $revision }}">
            <x-strategy.head :review="$review" :strategy="$strategy" current="check" />
            <p class="unsent" x-show="problem" x-cloak x-text="problem" role="alert"></p>
            @if ($check->failure !== '')
                <p class="field-error section" role="alert">{{ $check->failure }}</p>
            @endif
            @if ($check->findings === [])
                <x-empty title="Nothing to remark">No empty or idle term, no missing spelling or plural, no heading without its words, no
                    unused line. That does not make it complete: try it on <a
                        href="{{ route('strategies.known', [$review, $strategy]) }}">known items</a>.</x-empty>
            @else
                <p class="filter-words small"><strong>{{ count($check->findings) }}</strong> {{ count($check->findings) === 1 ? 'remark' : 'remarks' }},
                    each with the records it would add. They are suggestions; a person decides.</p>
                @foreach ($check->findings as $one)
                    <article class="section finding">
                        <h2 class="field-label">{{ ucfirst($one->kind) }}</h2>
                        <p>{{ $one->text }}</p>
                        @if ($effect = $check->effects[$one->key] ?? [])
                            <p class="small quiet">Would add: @foreach ($effect as $key => $count)
                                    {{ $sources->shortName($key) }} <strong
                                        class="number">{{ number_format($count) }}</strong>{{ $loop->last ? '' : ',' }}
                                @endforeach
                            </p>
                        @endif
                        @can('search', $review)
                            <div class="row mt-2">
                                @if ($one->remedy)
                                    <button type="button" class="button" data-change="{{ $one->remedy->change }}"
                                        data-with="{{ json_encode($one->remedy->with, JSON_THROW_ON_ERROR) }}"
                                        x-on:click="mend">{{ $one->remedy->label }}</button>
                                @endif
                                <x-menu label="Dismiss" class="button button-plain">
                                    <form method="post" action="{{ route('strategies.findings.dismiss', [$review, $strategy]) }}">@csrf <input
                                            type="hidden" name="finding" value="{{ $one->key }}"><label class="block">Why? <input
                                                class="input" name="reason" required maxlength="1000"></label><button
                                            class="button mt-1">Dismiss</button></form>
                                </x-menu>
                            </div>
                        @endcan
                    </article>
                @endforeach
            @endif
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Dismissed</h2> <span>{{ $check->dismissed->count() }}</span>
            </header>
            @forelse ($check->dismissed as $one)
                <div class="section small">
                    <p><code>{{ Str::after($one->finding, '/') }}</code></p>
                    <p>{{ $one->reason }}</p>
                    <p class="quiet">{{ $one->dismisser->name }}, {{ $one->dismissed_at->format('j M Y') }}</p>
                    @can('search', $review)
                        <form method="post" action="{{ route('strategies.findings.bring-back', [$review, $strategy]) }}">@csrf
                            @method('delete') <input type="hidden" name="finding" value="{{ $one->finding }}"><button
                                class="button-plain">Bring it back</button></form>
                    @endcan
                </div>
            @empty
                <p class="sheet-body small quiet">Nothing was dismissed. Whoever dismisses a remark says why, and it is kept here.</p>
            @endforelse
        </section>
    </div>
</x-page>
