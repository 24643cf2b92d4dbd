@use('WaryHeron\Core\Coding\Code')
<x-page title="Coding" :review="$review" stage="coding" place="coding">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Coding table</h1> <span>{{ number_format($table->publications->count()) }} included publications,
                    {{ $table->codes->count() }} items in the codebook</span>
                <span class="end row">
                    @can('code', $review)
                        <form method="post" action="{{ route('leads.start', $review) }}">@csrf
                            <button class="button">Read the papers for answers</button></form>
                    @endcan
                    <a class="button" href="{{ route('exports.coding', $review) }}">Download as CSV</a>
                </span>
            </header>
            @if ($table->publications->isEmpty())
                <x-empty title="Nothing is included yet">Publications come here when screening includes them.</x-empty>
            @elseif ($table->codes->isEmpty())
                <x-empty title="The codebook is empty">Say first what is to be found out about each study: <a
                        href="{{ route('codebook', $review) }}">the codebook</a>.</x-empty>
            @else
                <div class="overflow-x-auto" tabindex="0" role="region" aria-label="Coding table">
                    <table class="table">
                        <thead>
                            <tr>
                                <th scope="col" class="min-w-72">Publication</th>
                                <th scope="col" class="number">Coded</th>
                                @foreach ($table->codes as $code)
                                    <th scope="col" class="min-w-32 {{ $code->type->value === 'number' ? 'number' : '' }}">
                                        {{ $code->label }}{{ $code->unit !== '' ? ", {$code->unit}" : '' }}
                                        @isset($record[$code->id])
                                            <br><span class="small quiet">{{ $record[$code->id] }}</span>
                                        @endisset
                                    </th>
                                @endforeach
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($table->publications as $publication)
                                <tr>
                                    <td><a class="title-link"
                                            href="{{ route('coding.show', [$review, $publication->id]) }}">{{ Str::before($publication->authors, ';') }}
                                            {{ $publication->year }}</a><br><span
                                            class="small quiet">{{ Str::limit($publication->title, 90) }}</span></td>
                                    <td class="number">{{ $table->answered($publication->id) }}</td>
                                    @foreach ($table->codes as $code)
                                        @php($answer = $table->answers[$publication->id][$code->id] ?? null)
                                        <td class="{{ $code->type->value === 'number' ? 'number' : '' }}"
                                            @if ($answer && $answer->evidence !== []) title="“{{ Str::limit($answer->pieces()[0]->selector->quote, 300) }}” {{ $answer->pieces()[0]->whereabouts() }}" @endif>
                                            @if ($answer)
                                                <a class="code-cell" href="{{ route('coding.show', [$review, $publication->id]) }}#item-{{ $code->id }}">{{ $answer->shown(new Code($code->type, $code->options)) }}</a>
                                            @elseif ($lead = $leads[$publication->id][$code->id] ?? null)
                                                <a class="lead-cell" href="{{ route('coding.show', [$review, $publication->id]) }}#item-{{ $code->id }}"
                                                    title="“{{ Str::limit($lead->quote, 300) }}” {{ $lead->place() }}"><span
                                                        class="lead-mark">{{ $lead->confidence->value }}</span>
                                                    {{ Str::limit($lead->shown(new Code($code->type, $code->options)), 60) }}</a>
                                            @else
                                                <span class="quiet">–</span>
                                            @endif
                                        </td>
                                    @endforeach
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            @endif
        </section>
    </div>
</x-page>
