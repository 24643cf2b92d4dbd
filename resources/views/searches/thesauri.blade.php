<x-page title="Thesauri" :review="$review" stage="searches" place="thesauri">
    <div class="desk desk-three" x-data="thesaurus" data-find="{{ route('thesauri.find', $review, false) }}"
        data-heading="{{ route('thesauri.heading', $review, false) }}" data-start="{{ $heading }}">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Thesauri</h1>
            </header>
            @if ($scheme === null)
                <x-empty title="No thesaurus is here yet">Whoever runs this installation brings those of the databases in with <code>./heron
                        artisan heron:thesauri</code>. You can add one of your own below.</x-empty>
            @else
                <div class="section"><select class="input" x-ref="scheme" x-on:change="again" aria-label="Which thesaurus">
                        @foreach ($schemes as $one)
                            <option value="{{ $one->id }}" @selected($one->id === $scheme->id)>{{ $one->title }}</option>
                        @endforeach
                    </select>
                    <p class="field-help">{{ number_format($scheme->size) }} headings</p>
                </div>
                <div class="section">
                    <h2 class="field-label">Tops of {{ $scheme->title }}</h2>
                    <ul class="small">
                        @foreach ($tops as $top)
                            <li class="tree-line"><button type="button" class="linklike" data-label="{{ $top->label }}"
                                    x-on:click="openTop">{{ $top->label }}</button></li>
                        @endforeach
                    </ul>
                </div>
            @endif
            @can('search', $review)
                <form class="section" method="post" enctype="multipart/form-data" action="{{ route('thesauri.store', $review) }}">@csrf
                    <h2 class="field-label">Add a thesaurus</h2>
                    <div class="field"><label for="title">Name</label><input class="input" id="title" name="title" maxlength="120">
                    </div>
                    <div class="field"><label for="file">SKOS file</label><input class="input" id="file" name="file"
                            type="file" required>
                        <p class="field-help">Turtle, RDF/XML or JSON-LD.</p>
                        @error('file')
                            <p class="field-error" role="alert">{{ $message }}</p>
                        @enderror
                    </div>
                    <button class="button">Add it</button>
                </form>
            @endcan
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Find a heading</h2>
            </header>
            <div class="section"><input class="input input-mono" type="search" x-model="words" x-on:input="typed" maxlength="200"
                    aria-label="Any word" placeholder="any word of it" autocomplete="off"></div>
            @include('searches.heading-offers', ['canAdd' => false])
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>How to choose</h2>
            </header>
            <div class="sheet-body small grid gap-2">
                <p>Read the scope note first: the first heading with your word in its name may be about something else.</p>
                <p>With its narrower headings a heading brings records on special kinds that do not say its name. Look at what it sweeps in;
                    a branch can be left out.</p>
                <p>Qualifiers and major topics narrow early. Add them last, if at all.</p>
                <p>Some records are not indexed yet. Give every heading its free-text words as well.</p>
            </div>
        </section>
    </div>
</x-page>
