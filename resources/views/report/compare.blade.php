<x-page title="Versions of the report" :review="$review" stage="report" place="report.text">
    <div class="desk desk-side">
        <section class="sheet" aria-label="What has changed">
            <header class="sheet-head">
                <h1>Versions</h1> <span>what was written and taken out between two of them</span> <a class="end"
                    href="{{ route('report.text', $review) }}">To the report</a>
            </header>
            <form class="filter-words row" method="get" action="{{ route('report.changes', $review) }}">
                <label>From <select class="input" name="from">
                        @foreach ($versions as $one)
                            <option value="{{ $one->id }}" @selected($one->id === $from?->id)>{{ $one->name }},
                                {{ $one->created_at->format('j M Y H:i') }}</option>
                        @endforeach
                    </select></label>
                <label>to <select class="input" name="to">
                        <option value="">as it is now</option>
                        @foreach ($versions as $one)
                            <option value="{{ $one->id }}" @selected($one->id === $to?->id)>{{ $one->name }},
                                {{ $one->created_at->format('j M Y H:i') }}</option>
                        @endforeach
                    </select></label>
                <button class="button">Compare</button>
            </form>
            @if ($compared === null)
                <x-empty title="No version is kept">Name the report as it is under <em>Versions</em>, beside its text.</x-empty>
            @elseif (!$compared->isChanged())
                <x-empty title="Nothing has changed">The same words, and blocks that show the same.</x-empty>
            @else
                <div class="compared">
                    @foreach ($compared->shown() as $line)
                        @if ($line === null)
                            <p class="quiet" aria-label="lines that are the same">…</p>
                        @else
                            <p class="compared-{{ $line->line->kind }}">
                                @foreach ($line->pieces as $piece)
                                    @switch($piece->fate->name)
                                        @case('Added')
                                            <ins>{{ $piece->words }}</ins>
                                        @break

                                        @case('Removed')
                                            <del>{{ $piece->words }}</del>
                                        @break

                                        @default
                                            {{ $piece->words }}
                                    @endswitch
                                @endforeach
                            </p>
                        @endif
                    @endforeach
                </div>
            @endif
        </section>
        @if ($compared !== null)
            <section class="sheet" aria-label="Beside the text">
                <header class="sheet-head">
                    <h2>Beside the text</h2>
                </header>
                <div class="section">
                    <h3>Blocks that show something else</h3>
                    @forelse ($compared->blocks as $title => $changed)
                        <p class="small"><strong>{{ $title }}</strong> {{ $changed }}</p>
                    @empty
                        <p class="small quiet">None.</p>
                    @endforelse
                </div>
                <div class="section">
                    <h3>Who wrote</h3>
                    @forelse ($compared->writers as $name => $times)
                        <p class="small">{{ $name }} <span class="quiet">saved {{ number_format($times) }}
                                {{ $times === 1 ? 'time' : 'times' }}</span></p>
                    @empty
                        <p class="small quiet">Nobody.</p>
                    @endforelse
                </div>
            </section>
        @endif
    </div>
</x-page>
