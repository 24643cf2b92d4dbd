<x-page title="New strategy" :review="$review" stage="searches" place="searches">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>New strategy</h1> <span>one box for each concept; everything can be changed on the board</span>
            </header>
            <form method="post" action="{{ route('searches.store', $review) }}">
                @csrf
                <div class="sheet-body">
                    <div class="field"><label for="name">Name</label><input class="input" id="name" name="name"
                            value="{{ old('name', 'Strategy for ' . $review->title) }}" maxlength="120" required></div>
                    @if ($sources === [])
                        <p class="field quiet">No database can be asked from this copy, so what a term brings cannot be counted. Strategies
                            are built and translated here and run in the database itself; the files come in under <a
                                href="{{ route('deliveries', $review) }}">Deliveries</a>. Whoever runs this copy can add databases.</p>
                    @else
                        <fieldset class="field">
                            <legend class="field-label">Databases</legend>
                            @foreach ($sources as $key => $name)
                                <label class="mr-4"><input type="checkbox" name="sources[]" value="{{ $key }}"
                                        @checked(in_array($key, old('sources', array_keys($sources)), true))> {{ $name }}</label>
                            @endforeach
                            @error('sources')
                                <p class="field-error" role="alert">Choose at least one database.</p>
                            @enderror
                        </fieldset>
                    @endif
                    @php $names = old('blocks') ? array_column(old('blocks'), 'name') : array_pad($concepts, max(3, count($concepts)), ''); @endphp
                    @foreach ($names as $i => $name)
                        <div class="field concept-box">
                            <label for="block-{{ $i }}">Concept {{ $i + 1 }}</label>
                            <input class="input mb-1" id="block-{{ $i }}" name="blocks[{{ $i }}][name]"
                                value="{{ $name }}"
                                placeholder="{{ ['the people', 'what is done', 'what is measured'][$i] ?? 'another concept' }}"
                                maxlength="200">
                            <div class="suggesting" x-data="suggest" data-suggest="{{ route('thesauri.suggest', $review, false) }}"
                                x-on:focusout="left">
                                <textarea class="input input-mono" data-term-field x-on:input="suggest" x-on:keydown.down="intoList" x-on:keydown.escape="away()"
                                    name="blocks[{{ $i }}][terms]" rows="2" aria-label="Synonyms of concept {{ $i + 1 }}"
                                    placeholder="night shift OR night duty OR rota*" spellcheck="false">{{ old("blocks.{$i}.terms") }}</textarea>
                                <x-suggestions />
                            </div>
                        </div>
                    @endforeach
                    <p class="field-help">Synonyms separated by OR or by lines. While you type, the databases are asked what a term finds,
                        and the thesauri for headings and other names. Several words are searched side by side; * takes any ending. Leave
                        boxes empty that you want to fill with headings later.</p>
                </div>
                <div class="sheet-foot"><button class="button button-go">Build the board</button> <span class="small quiet">Nothing is
                        fetched yet.</span></div>
            </form>
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Or bring a strategy in</h2>
            </header>
            <form method="post" action="{{ route('searches.store', $review) }}">
                @csrf
                <div class="sheet-body">
                    <div class="field"><label for="import-name">Name</label><input class="input" id="import-name" name="name"
                            value="{{ old('name', 'Strategy brought in') }}" maxlength="120" required></div>
                    @foreach ($sources as $key => $name)
                        <input type="hidden" name="sources[]" value="{{ $key }}">
                    @endforeach
                    <div class="field"><label for="dialect">Written in</label><select class="input" id="dialect" name="dialect">
                            <option value="heron">our own language</option>
                            <option value="cql">CQL</option>
                            <option value="ccl">the command language (ISO 8777 style)</option>
                        </select></div>
                    <div class="field"><label for="text">Lines</label>
                        <textarea class="input input-mono" id="text" name="text" rows="9" required spellcheck="false" aria-describedby="text-help">{{ old('text') }}</textarea>
                        <p class="field-help" id="text-help">One line each, in order; numbers in front are dropped; // begins a note. If one
                            line cannot be read, nothing is taken and its place is named.</p>
                        @error('text')
                            <p class="field-error" role="alert">{{ $message }}</p>
                        @enderror
                    </div>
                    <button class="button">Bring it in</button>
                </div>
            </form>
        </section>
    </div>
</x-page>
