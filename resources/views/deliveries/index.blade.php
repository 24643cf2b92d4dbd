<x-page title="Deliveries" :review="$review" stage="records" place="deliveries">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Deliveries</h1> <span>every import, from a file or a search, with its log; <a
                        href="{{ route('deliveries.references', $review) }}">reference lists of included reports</a></span>
            </header>
            @if ($deliveries->isEmpty())
                <x-empty title="Nothing has been delivered yet">Drop files at the right, or fetch the records of a <a
                        href="{{ route('searches', $review) }}">search</a>.</x-empty>
            @else
                @php($most = $deliveries->max('kept'))
                <table class="table" @if ($deliveries->contains(fn($d) => $d->isUnderWay())) data-reload-when-done @endif>
                    <thead>
                        <tr>
                            <th scope="col">Source</th>
                            <th scope="col">Searched</th>
                            <th scope="col" class="number">Kept</th>
                            <th scope="col" class="number">Rejected</th>
                            <th scope="col" class="number">Already here</th>
                            <th scope="col" class="number">New</th>
                            <th scope="col" class="w-1/6"><span class="legend small"><span class="whitespace-nowrap"><span class="key key-part"></span>
                                        new</span> <span class="whitespace-nowrap"><span class="key key-also"></span> already
                                        here</span></span></th>
                            <th scope="col">State</th>
                        </tr>
                    </thead>
                    <tbody>
                        @foreach ($deliveries as $delivery)
                            <tr>
                                <td><a href="{{ route('deliveries.show', [$review, $delivery]) }}"><bdi>{{ $delivery->source_name }}</bdi></a><br><span
                                        class="small quiet">{{ $delivery->file_name ?? 'fetched' }} · {{ $delivery->creator->name }}</span>
                                </td>
                                <td class="whitespace-nowrap">{{ $delivery->searched_on->format('j M Y') }}</td>
                                <td class="number">{{ number_format($delivery->kept) }}</td>
                                <td class="number">{{ number_format($delivery->rejected) }}</td>
                                <td class="number">{{ number_format($delivery->already_here) }}</td>
                                <td class="number">{{ number_format($delivery->new) }}</td>
                                <td class="bar-cell"><x-share :part="$delivery->new" :also="$delivery->already_here" :whole="$most" /></td>
                                <td><x-delivery-state :delivery="$delivery" /></td>
                            </tr>
                        @endforeach
                    </tbody>
                    <tfoot>
                        <tr>
                            <th scope="row" colspan="2">All sources</th>
                            @foreach (['kept', 'rejected', 'already_here', 'new'] as $sum)
                                <td class="number">{{ number_format($deliveries->sum($sum)) }}</td>
                            @endforeach
                            <td>
                            </td>
                            <td></td>
                        </tr>
                    </tfoot>
                </table>
            @endif
        </section>
        @can('deliver', $review)
            <section class="sheet" x-data="deliveryForm" x-on:dragover.prevent="enter" x-on:dragleave="leave" x-on:drop.prevent="dropped">
                <header class="sheet-head">
                    <h2>Deliver files</h2>
                </header>
                <form class="sheet-body" method="post" action="{{ route('deliveries.store', $review) }}" enctype="multipart/form-data">
                    @csrf
                    <div class="field">
                        <div class="drop" x-bind:class="over ? 'drop-over' : ''">
                            <label for="files">Drop files here, or choose them</label>
                            <p class="small quiet">RIS, NBIB, BibTeX, CSL-JSON, MODS, refer, CSV or XLSX, also in a zip or gzip; or a text of
                                references as papers print them</p>
                            <input class="mt-2 w-full small" type="file" id="files" name="files[]" multiple x-ref="files"
                                x-on:change="chosen">
                            <ul class="small mt-2 grid gap-2" x-show="any" x-cloak><template x-for="file in names"
                                    x-bind:key="file.at">
                                    <li class="file-row"><span><span class="wrap-anywhere" x-text="file.name"></span> <span class="quiet"
                                                x-text="file.size"></span></span>
                                        <template x-if="several"><span class="row"><input class="input small" x-bind:name="file.source"
                                                    x-bind:aria-label="file.sourceWords" placeholder="Source, if not the one below"
                                                    maxlength="120">
                                                <select class="input small" x-bind:name="file.kind" x-bind:aria-label="file.kindWords">
                                                    <option value="">kind as below</option>
                                                    @foreach (\WaryHeron\Core\Flow\SourceKind::cases() as $kind)
                                                        <option value="{{ $kind->value }}">{{ $kind->one() }}</option>
                                                    @endforeach
                                                </select>
                                            </span></template>
                                    </li>
                                </template></ul>
                        </div>
                        @error('files')
                            <p class="field-error" role="alert">{{ $message }}</p>
                        @enderror
                        @error('files.*')
                            <p class="field-error" role="alert">{{ $message }}</p>
                        @enderror
                    </div>
                    <x-field name="source_name" label="Source" help="As the report will name it." placeholder="Tern Abstracts" required />
                    <x-field name="source_kind" label="Kind of source" help="The flow diagram tells these apart."><select class="input"
                            id="source_kind" name="source_kind">
                            @foreach (\WaryHeron\Core\Flow\SourceKind::cases() as $kind)
                                <option value="{{ $kind->value }}" @selected(old('source_kind') === $kind->value)>{{ $kind->one() }}</option>
                            @endforeach
                        </select></x-field>
                    <x-field name="platform" label="Platform" help="Where it was searched, if that differs." />
                    <x-field name="searched_on" label="Date of the search" type="date" :value="now()->format('Y-m-d')" required />
                    <x-field name="notes" label="Notes">
                        <textarea class="input" id="notes" name="notes" rows="2" maxlength="2000">{{ old('notes') }}</textarea>
                    </x-field>
                    <button class="button button-go">Deliver</button>
                </form>
            </section>
        @else
            <section class="sheet">
                <p class="sheet-body small quiet">The information specialist and the lead deliver files.</p>
            </section>
        @endcan
    </div>
</x-page>
