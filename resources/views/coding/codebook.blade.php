<x-page title="Codebook" :review="$review" stage="coding" place="codebook">
    @php($mayChange = Gate::allows('manage', $review))
    @php($touched = session('touched'))
    <datalist id="code-sections">
        @foreach ($codes->pluck('section')->filter()->unique() as $section)
            <option>{{ $section }}</option>
        @endforeach
    </datalist>
    <datalist id="code-parts">
        @foreach ($codes->pluck('per')->push('arm', 'outcome', 'site')->filter()->unique() as $part)
            <option>{{ $part }}</option>
        @endforeach
    </datalist>
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Codebook</h1> <span>what is found out about each included study</span>
                @if ($codes->isNotEmpty())
                    <span class="end"><a href="{{ route('codebook.sheet', $review) }}">Sheet to print</a> · <a
                            href="{{ route('codebook.file', [$review, 'csv']) }}">CSV</a> · <a href="{{ route('codebook.file', [$review, 'json']) }}">JSON</a></span>
                @endif
            </header>
            @forelse ($codes->groupBy(fn ($code) => $code->pass->value . ' ' . $code->section) as $of)
                <div class="section codebook-section">
                    <h2>{{ $of[0]->section ?: 'Without a section' }} <span class="quiet small">{{ $of[0]->pass->label() }}</span></h2>
                    @foreach ($of as $code)
                        <div class="codebook-item" id="item-{{ $code->id }}">
                            <p><strong>{{ $code->label }}</strong> <span class="quiet">{{ $code->type->label() }}{{ $code->unit !== '' ? " in {$code->unit}" : '' }}{{ $code->minimum !== null ? ", at least {$code->minimum}" : '' }}{{ $code->maximum !== null ? ", at most {$code->maximum}" : '' }}{{ $code->required ? ', required' : '' }}{{ $code->per !== '' ? ", of each {$code->per}" : '' }}</span>
                            </p>
                            @if ($code->guidance !== '')
                                <p class="small">{{ $code->guidance }}</p>
                            @endif
                            @if ($code->examples !== '')
                                <p class="small quiet">Such as: {{ $code->examples }}</p>
                            @endif
                            @if ($code->options !== [])
                                <p class="small quiet">{{ implode(' · ', $code->options) }}</p>
                            @endif
                            @if ($code->when_code_id)
                                <p class="small quiet">Asked only where “{{ $codes->firstWhere('id', $code->when_code_id)?->label ?? 'an item that was retired' }}” is
                                    {{ implode(' or ', $code->when_answers) }}</p>
                            @endif
                            @php($uses = $used->item($code))
                            @if ($uses !== [])
                                <details class="small uses">
                                    <summary>Used {{ count($uses) === 1 ? 'once' : count($uses) . ' times' }}</summary>
                                    <x-uses :uses="$uses" />
                                </details>
                            @endif
                            @if ($mayChange)
                                <details class="mt-1 no-print" @if (($touched['code'] ?? '') === $code->id) open @endif>
                                    <summary class="small cursor-pointer">Change</summary>
                                    <div class="mt-3">
                                        <x-code-form :action="route('codes.update', [$review, $code])" :code="$code" method="put" :codes="$codes"
                                            :touched="($touched['code'] ?? '') === $code->id ? $touched['options'] : []" />
                                        <form method="post" action="{{ route('codes.move', [$review, $code]) }}" class="row mt-2">@csrf
                                            <button class="button button-plain" name="do" value="up">Move up</button>
                                            <button class="button button-plain" name="do" value="retire">Retire it</button>
                                        </form>
                                    </div>
                                </details>
                            @endif
                        </div>
                    @endforeach
                </div>
            @empty
                <x-empty title="The codebook is empty">Each item asks one thing: the design, the number of people, the dose of light. Say in
                    its guidance what counts. Or start from a ready-made set beside this.</x-empty>
            @endforelse
        </section>
        <div class="grid gap-3 no-print">
            @if ($mayChange)
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>New item</h2>
                    </header>
                    <div class="sheet-body">
                        @if ($errors->any())
                            <p class="field-error mb-2" role="alert">{{ $errors->first() }}</p>
                        @endif <x-code-form :action="route('codes.store', $review)" :codes="$codes" />
                    </div>
                </section>
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Start from one that is there</h2>
                    </header>
                    <form class="sheet-body" method="post" action="{{ route('codebook.import', $review) }}" enctype="multipart/form-data">
                        @csrf
                        <div class="field"><label for="from">A set, or a codebook of yours</label><select class="input" id="from" name="from">
                                @foreach ($sets as $name => $title)
                                    <option value="{{ $name }}">{{ $title }}</option>
                                @endforeach
                                @foreach ($others as $id => $title)
                                    <option value="{{ $id }}">From “{{ $title }}”</option>
                                @endforeach
                            </select></div>
                        <div class="field"><label for="codebook-file">or a file (JSON or CSV)</label><input id="codebook-file" type="file" name="file"
                                accept=".json,.csv,application/json,text/csv"></div>
                        <button class="button">Add its items</button>
                    </form>
                </section>
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Who codes what</h2>
                    </header>
                    <form class="section" method="post" action="{{ route('codebook.terms', $review) }}">
                        @csrf @method('put')
                        <p><label><input type="radio" name="coders" value="1" @checked($review->coded_by === 1)> one person codes each study</label></p>
                        <p><label><input type="radio" name="coders" value="2" @checked($review->coded_by === 2)> two people code it apart, then
                                reconcile</label></p>
                        <button class="button mt-2">Set</button>
                    </form>
                    @if ($codes->contains(fn ($code) => $code->pass->value === 'in-depth'))
                        <p class="section small">The in-depth pass goes to {{ \App\Queries\Coding\DepthSubset::of($review)->words() }}.
                            <a href="{{ route('coding.subset', $review) }}">In-depth subset</a></p>
                    @endif
                </section>
            @endif
            @if ($retired->isNotEmpty())
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Retired</h2>
                    </header>
                    <ul class="sheet-body small quiet">
                        @foreach ($retired as $code)
                            <li>{{ $code->label }}</li>
                        @endforeach
                    </ul>
                </section>
            @endif
        </div>
    </div>
</x-page>
