<x-page :title="$strategy->name . ', known items'" :review="$review" stage="searches" place="searches">
    <div class="desk desk-side">
        <section class="sheet" x-data="findingActions" data-url="{{ route('strategies.change', [$review, $strategy], false) }}"
            data-revision="{{ $revision }}">
            <x-strategy.head :review="$review" :strategy="$strategy" current="known" />
            <p class="unsent" x-show="problem" x-cloak x-text="problem" role="alert"></p>
            @if ($failure !== '')
                <p class="field-error section" role="alert">{{ $failure }}</p>
            @endif
            @if ($items->isEmpty())
                <x-empty title="No known items yet">Paste records at the right that you know to be relevant. For each database you then see
                    whether it is there, whether the strategy finds it, and if not, which concept loses it and which words would catch
                    it.</x-empty>
            @else
                <table class="table">
                    <thead>
                        <tr>
                            <th scope="col">Known item</th>
                            @foreach ($keys as $key)
                                <th scope="col">{{ $sources->shortName($key) }}</th>
                            @endforeach
                            <th scope="col">
                                <span class="sr-only">Change</span>
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($items as $item)
                            <tr>
                                <td class="known-title"><span class="serif">{{ $item->title }}</span><br><span
                                        class="small quiet">{{ $item->year }} {{ $item->doi === $item->title ? '' : $item->doi }}</span>
                                </td>
                                @foreach ($keys as $key)
                                    @php $at = $found[$key][$item->id] ?? null; @endphp
                                    <td>
                                        @if ($at === null)
                                            <span class="quiet">not known</span>
                                        @elseif (!$at['indexed'])
                                            <span class="quiet">not in it</span>
                                        @elseif ($at['found'])
                                            <x-mark verdict="include" label="" /> found
                                        @else
                                            <x-mark verdict="exclude" label="" /> <strong class="says-warn">lost</strong>
                                            @if ($at['byLimit'])
                                                <p class="small">Every concept finds it; a limit or another line takes it away.</p>
                                            @endif
                                            @if ($at['lost'] !== [])
                                                <div x-data="later"
                                                    data-url="{{ route('strategies.known.offers', [$review, $strategy, $item, $key], false) }}"
                                                    aria-live="polite" aria-busy="true">
                                                    @foreach ($at['lost'] as $block)
                                                        <p class="small">“{{ $block['name'] ?: 'A concept' }}” loses it.</p>
                                                    @endforeach
                                                    <p class="small quiet" x-show="waiting">Looking for what would catch it …</p>
                                                    <p class="small says-warn" x-show="failed" x-cloak x-text="failed"></p>
                                                </div>
                                            @endif
                                        @endif
                                    </td>
                                @endforeach
                                <td>
                                    @can('search', $review)
                                        <form method="post" action="{{ route('strategies.known.destroy', [$review, $strategy, $item]) }}">@csrf
                                            @method('delete') <button class="button-plain"
                                                aria-label="Take “{{ $item->title }}” off">×</button></form>
                                    @endcan
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                @if ($items->hasPages())
                    <footer class="sheet-foot">
                        @if ($items->previousPageUrl())
                            <a class="button" href="{{ $items->previousPageUrl() }}">Previous</a>
                            @endif @if ($items->nextPageUrl())
                                <a class="button" href="{{ $items->nextPageUrl() }}">Next</a>
                            @endif <span class="small quiet">{{ number_format($items->total()) }} known items</span>
                    </footer>
                @endif
            @endif
        </section>
        @can('search', $review)
            <section class="sheet">
                <header class="sheet-head">
                    <h2>Add known items</h2>
                </header>
                <form class="sheet-body" method="post" action="{{ route('strategies.known.store', [$review, $strategy]) }}">
                    @csrf
                    <div class="field"><label for="items">References, titles or DOIs</label>
                        <textarea class="input input-mono" id="items" name="items" rows="9" required spellcheck="false" aria-describedby="items-hint"></textarea>
                        <p class="field-help" id="items-hint">One a line, or numbered as a paper prints them; or the text of a file of references, such as RIS or BibTeX.</p>
                    </div>
                    <button class="button button-go">Add them</button>
                </form>
            </section>
        @endcan
    </div>
</x-page>
