<x-page title="Codebook" :review="$review" stage="coding" place="codebook">
    @php($mayChange = Gate::allows('manage', $review))
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Codebook</h1> <span>what is found out about each included publication</span>
            </header>
            @forelse ($codes as $code)
                <div class="section">
                    <p><strong>{{ $loop->iteration }}. {{ $code->label }}</strong> <span
                            class="quiet">{{ ['choice' => 'one of several', 'choices' => 'any of several',
                                'number' => 'number', 'text' => 'text',
                                'date' => 'date'][$code->type->value] }}{{ $code->unit !== '' ? " in {$code->unit}"
                                : '' }}</span>
                    </p>
                    @if ($code->guidance !== '')
                        <p class="small">{{ $code->guidance }}</p>
                    @endif
                    @if ($code->options !== [])
                        <p class="small quiet">{{ implode(' · ', $code->options) }}</p>
                    @endif
                    @if ($mayChange)
                        <details class="mt-1">
                            <summary class="small cursor-pointer">Change</summary>
                            <div class="mt-3"><x-code-form :action="route('codes.update', [$review, $code])" :code="$code" method="put" /></div>
                        </details>
                    @endif
                </div>
            @empty
                <x-empty title="The codebook is empty">Each item asks one thing: the design, the number of people, the dose of light. Say in
                    its guidance what counts.</x-empty>
            @endforelse
        </section>
        <div class="grid gap-3">
            @if ($mayChange)
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>New item</h2>
                    </header>
                    <div class="sheet-body">
                        @if ($errors->any())
                            <p class="field-error mb-2" role="alert">{{ $errors->first() }}</p>
                        @endif <x-code-form :action="route('codes.store', $review)" />
                    </div>
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
