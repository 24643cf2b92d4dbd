<x-page title="Coding sheet" :review="$review" stage="coding" place="codebook">
    <div class="desk">
        <section class="sheet coding-sheet">
            <header class="sheet-head">
                <h1>Coding sheet</h1> <span>{{ $review->title }}</span>
                <span class="end no-print"><a href="{{ route('codebook', $review) }}">Back to the codebook</a></span>
            </header>
            <p class="section">Study <span class="line"></span> Coder <span class="line"></span> Date <span class="line"></span></p>
            @forelse ($codes->groupBy(fn ($code) => $code->pass->value . ' ' . $code->section) as $of)
                <div class="section">
                    <h2>{{ $of[0]->section ?: 'Without a section' }} <span class="quiet small">{{ $of[0]->pass->label() }}</span></h2>
                    @foreach ($of as $code)
                        <div class="coding-sheet-item">
                            <p><strong>{{ $code->label }}</strong>{{ $code->unit !== '' ? " ({$code->unit})" : '' }}
                                @if ($code->when_code_id)
                                    <span class="small quiet">only where “{{ $codes->firstWhere('id', $code->when_code_id)?->label }}” is
                                        {{ implode(' or ', $code->when_answers) }}</span>
                                @endif
                            </p>
                            @if ($code->guidance !== '')
                                <p class="small quiet">{{ $code->guidance }}</p>
                            @endif
                            @php($choices = $code->code()->choosable())
                            @if ($code->per !== '')
                                <p class="small">For each {{ $code->per }}; {{ $code->per }}: <span class="line"></span></p>
                            @endif
                            <p>
                                @forelse ($choices as $option)
                                    <span class="box" aria-hidden="true"></span> {{ $option }} &ensp;
                                @empty
                                    <span class="line line-long"></span>
                                @endforelse
                                <span class="box" aria-hidden="true"></span> not reported &ensp; page <span class="line line-short"></span>
                            </p>
                        </div>
                    @endforeach
                </div>
            @empty
                <x-empty title="The codebook is empty">There is nothing to print yet.</x-empty>
            @endforelse
        </section>
    </div>
</x-page>
