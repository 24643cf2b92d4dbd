@use('App\Queries\Coding\Table\ItemFilter')
@use('App\Queries\Coding\Table\TableRows')
@php
    $terms = $table->terms;
    $to = fn(array $query): string => route('coding', [$review, ...$query]);
    $arrow = fn(string $by): string => $terms->sort === $by ? ($terms->descending ? ' ↓' : ' ↑') : '';
    $aria = fn(string $by): string => $terms->sort === $by ? ($terms->descending ? 'descending' : 'ascending') : 'none';
    $columns = $terms->shown();
    $numeric = $columns->values()->map(fn($code): bool => $code->type->value === 'number');
    $data = ['codes' => $columns->keys(), 'url' => route('coding', $review, false), 'mayEdit' => $mayEdit];
@endphp
<x-page title="Coding" :review="$review" stage="coding" place="coding">
    <div class="desk desk-fixed" x-data="codingTable">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Coding table</h1>
                <span>{{ number_format($table->count) }} {{ $terms->isAll() ? 'included' : 'of the included' }}
                    {{ Str::plural('study', $table->count) }}{{ $table->reported > $table->count ? ' in ' . number_format($table->reported) . ' reports' : '' }},
                    {{ $columns->count() }} of {{ $terms->codes->count() }} items</span>
                <span class="end row">
                    @if ($differing > 0)
                        <a href="{{ route('reconcile', $review) }}">{{ $differing }} {{ Str::plural('difference', $differing) }} to
                            reconcile</a>
                    @endif
                    @if ($numbersDiffering > 0)
                        <a href="{{ route('reconcile.results', $review) }}">{{ $numbersDiffering }}
                            {{ Str::plural('result', $numbersDiffering) }} to reconcile</a>
                    @endif
                    <x-menu label="Items shown" class="button button-plain">
                        <form method="get" action="{{ route('coding', $review) }}" class="table-columns">
                            <x-hidden :query="$terms->query(['columns' => null])" />
                            @foreach ($terms->codes->groupBy('section') as $section => $codes)
                                <fieldset>
                                    <legend class="small quiet">{{ $section ?: 'Items' }}</legend>
                                    @foreach ($codes as $code)
                                        <label><input type="checkbox" name="columns[]" value="{{ $code->id }}"
                                                @checked($columns->has($code->id))> {{ $code->label }}</label>
                                    @endforeach
                                </fieldset>
                            @endforeach
                            <div class="row"><button class="button button-go">Show these</button>
                                <a href="{{ $to($terms->query(['columns' => null])) }}">All</a></div>
                        </form>
                    </x-menu>
                    @can('code', $review)
                        <x-menu label="Read for answers" class="button button-plain" end>
                            <form method="post" action="{{ route('leads.start', $review) }}">@csrf
                                <div class="field"><label for="lead-item">Look for</label><select class="input" id="lead-item" name="item">
                                        <option value="">every item without an answer</option>
                                        @foreach ($terms->codes as $code)
                                            <option value="{{ $code->id }}">{{ $code->label }}</option>
                                        @endforeach
                                    </select></div>
                                <div class="field"><label for="lead-pass">Read</label><select class="input" id="lead-pass" name="pass">
                                        <option value="deep">the whole papers</option>
                                        <option value="fast">abstracts and first pages, for a first look</option>
                                    </select></div>
                                <button class="button button-go">Read the papers</button>
                                <p class="field-help">What is found waits beside the items as leads; nothing is answered by it.</p>
                            </form>
                        </x-menu>
                    @endcan
                    <x-menu label="Download" class="button button-plain" end :open="$errors->hasAny(['columns', 'name', 'document'])">
                        <form method="get" action="{{ route('exports.coding', [$review, 'xlsx']) }}">
                            <x-hidden :query="$terms->query()" />
                            <fieldset class="choices">
                                <legend class="small quiet">Beside each answer</legend>
                                @foreach (TableRows::PARTS as $part => $words)
                                    <label><input type="checkbox" name="parts[]" value="{{ $part }}" @checked(in_array($part, ['quote', 'place']))>
                                        {{ $words }}</label>
                                @endforeach
                            </fieldset>
                            <p class="field-help">The studies and items shown here, in this order.</p>
                            <div class="row"><button class="button button-go">As XLSX</button>
                                <button class="button" formaction="{{ route('exports.coding', [$review, 'csv']) }}">As CSV</button>
                                <button class="button" formaction="{{ route('exports.coding', [$review, 'docx']) }}"
                                    title="A document with a table for each study">As DOCX</button></div>
                            @error('document')
                                <p class="field-error" role="alert">{{ $message }}</p>
                            @enderror
                        </form>
                        @can('code', $review)
                            <x-table-recipes :recipes="$recipes" :fields="$recipeFields" what="studies"
                                :keep="route('coding.recipes', [$review, ...$terms->query()])"
                                :take="fn($recipe) => route('coding.recipes.export', [$review, $recipe, ...$terms->query()])"
                                :drop="fn($recipe) => route('coding.recipes.destroy', [$review, $recipe])" />
                        @endcan
                    </x-menu>
                </span>
            </header>
            @if ($table->publications->isEmpty() && $terms->isAll())
                <x-empty title="Nothing is included yet">Publications come here when screening includes them.</x-empty>
            @elseif ($terms->codes->isEmpty())
                <x-empty title="The codebook is empty">Say first what is to be found out about each study: <a
                        href="{{ route('codebook', $review) }}">the codebook</a>.</x-empty>
            @else
                <form class="table-narrow" method="get" action="{{ route('coding', $review) }}" aria-label="Which studies">
                    <x-hidden :query="$terms->query(['whose' => null])" />
                    @if ($sharers !== [])
                        <label>Whose <select class="input" name="whose">
                                <option value="">everybody</option>
                                <option value="mine" @selected($terms->whose === auth()->id())>my share</option>
                                @foreach ($sharers as $one)
                                    @if ($one->id !== auth()->id())
                                        <option value="{{ $one->id }}" @selected($terms->whose === $one->id)>{{ $one->name }}</option>
                                    @endif
                                @endforeach
                            </select></label>
                    @endif
                    <label>Studies where <select class="input" name="item" x-on:change="narrowBy">
                            @foreach ($terms->codes as $code)
                                <option value="{{ $code->id }}" data-options="{{ json_encode($code->code()->choosable()) }}">{{ $code->label }}
                                </option>
                            @endforeach
                        </select></label>
                    <label><span class="sr-only">How far it has come</span><select class="input" name="standing">
                            @foreach (ItemFilter::STANDINGS as $standing => $words)
                                <option value="{{ $standing }}">{{ $words }}</option>
                            @endforeach
                        </select></label>
                    <label>or says <input class="input" name="says" list="table-says" size="18" maxlength="200" autocomplete="off"
                            placeholder="nurses, 20..60"></label>
                    <datalist id="table-says"></datalist>
                    <button class="button">Narrow</button>
                    @foreach ($terms->filters as $filter)
                        <a class="table-filter" href="{{ $to($terms->without($filter)) }}"
                            aria-label="No longer: {{ $filter->words() }}">{{ $filter->words() }} <span aria-hidden="true">×</span></a>
                    @endforeach
                </form>
                @if ($table->publications->isEmpty())
                    <x-empty title="No study is like this">Take a condition away.</x-empty>
                @else
                    <div class="sheet-scroll coding-scroll" tabindex="0" role="region" aria-label="Coding table" x-on:keydown="pressed"
                        x-on:focusin="enter" x-on:click="clicked">
                        <table class="table coding-table">
                            <thead>
                                <tr>
                                    <th scope="col" class="coding-study" aria-sort="{{ $aria('author') }}"><a
                                            href="{{ $to($terms->ordered('author')) }}">Study{{ $arrow('author') }}</a> <a
                                            href="{{ $to($terms->ordered('year')) }}">Year{{ $arrow('year') }}</a></th>
                                    <th scope="col" class="number" aria-sort="{{ $aria('coded') }}"><a
                                            href="{{ $to($terms->ordered('coded')) }}">Coded{{ $arrow('coded') }}</a></th>
                                    @foreach ($columns as $code)
                                        <th scope="col" @class(['number' => $code->type->value === 'number']) aria-sort="{{ $aria($code->id) }}"><a
                                                href="{{ $to($terms->ordered($code->id)) }}">{{ $code->label }}{{ $code->unit !== '' ? ", {$code->unit}" : '' }}{{ $arrow($code->id) }}</a>
                                            @isset($record[$code->id])
                                                <br><span class="small quiet">leads: {{ $record[$code->id] }}</span>
                                            @endisset
                                        </th>
                                    @endforeach
                                </tr>
                            </thead>
                            <tbody>
                                @foreach ($table->publications as $publication)
                                    <tr data-study="{{ $publication->id }}">
                                        <th scope="row" class="coding-study"><a class="title-link"
                                                href="{{ route('coding.show', [$review, $publication->id]) }}">{{ trim(Str::before($publication->authors, ';') . ' ' . $publication->year) ?: Str::limit($publication->title, 40) }}</a><span
                                                class="coding-title" title="{{ $publication->title }}">{{ $publication->title }}</span>
                                            @if ($publication->others > 0)
                                                <a class="small quiet" href="{{ route('studies', $review) }}">and {{ $publication->others }} more
                                                    {{ Str::plural('report', $publication->others) }}</a>
                                            @endif
                                        </th>
                                        <td class="number">{{ $table->answered($publication->id) }}</td>
                                        @foreach ($table->cells($publication->id) as $i => $cell)
                                            <td class="{{ $cell->look }}{{ $numeric[$i] ? ' number' : '' }}" tabindex="-1" data-at="{{ $i }}">{!! nl2br(e($cell->words)) !!}@if ($cell->mark !== '')
                                                    <span class="cell-mark">{{ $cell->mark }}</span>
                                                @endif
                                            </td>
                                        @endforeach
                                    </tr>
                                @endforeach
                            </tbody>
                        </table>
                        <script type="application/json" id="coding-columns">@json($data)</script>
                    </div>
                    <section class="coding-cell" aria-label="The cell at hand" aria-live="polite">
                        <p class="quiet small" x-show="isNowhere">Go to a cell with the mouse or the arrow keys: what it says stands here, with its
                            evidence. <kbd>Enter</kbd> changes it.</p>
                        <template x-if="cell">
                            <div class="coding-cell-parts">
                                <div>
                                    <p class="small quiet" x-text="cell.study"></p>
                                    <p><strong x-text="cell.label"></strong> <span class="lead-mark" x-show="cell.sure" x-text="cell.sure"></span></p>
                                    <p class="cell-slots" x-show="hasParts" role="group" aria-label="Parts of the study">
                                        <template x-for="one in parts" x-bind:key="one.key">
                                            <button type="button" x-on:click="goToPart(one.key)" x-bind:aria-pressed="one.current"><span
                                                    x-text="one.name"></span>: <strong x-text="one.says"></strong></button>
                                        </template>
                                    </p>
                                    <p x-text="cell.says" x-show="isRead"></p>
                                    <form class="coding-edit" x-show="isEdited" x-on:submit.prevent="save">
                                        <select class="input" x-ref="choice" x-show="isChoice" x-bind:multiple="isSeveral" x-bind:size="choiceSize"
                                            x-bind:aria-label="cell.label">
                                            <template x-for="one in choices" x-bind:key="one.value">
                                                <option x-bind:value="one.value" x-bind:selected="one.chosen" x-text="one.label"></option>
                                            </template>
                                        </select>
                                        <input class="input" x-ref="text" x-show="isTyped" x-bind:type="typedAs" x-bind:inputmode="typedMode"
                                            x-bind:aria-label="cell.label" maxlength="4000">
                                        <button class="button button-go">Save <kbd>Enter</kbd></button>
                                        <button type="button" class="button button-plain" x-on:click="leave">Leave <kbd>Esc</kbd></button>
                                    </form>
                                </div>
                                <div>
                                    <template x-for="one in cell.evidence" x-bind:key="one.key">
                                        <p><span class="serif" x-text="one.quote"></span> <a class="small" x-bind:href="cell.url"
                                                x-text="one.where"></a></p>
                                    </template>
                                    <p class="small quiet" x-text="cell.about"></p>
                                    <p><a x-bind:href="cell.url">Open at the Coding Desk</a> <button type="button" class="button button-plain"
                                            x-show="mayChange" x-on:click="edit">Change <kbd>Enter</kbd></button></p>
                                </div>
                            </div>
                        </template>
                        <p class="problem" role="alert" x-show="problem" x-text="problem"></p>
                    </section>
                    @if ($table->pages() > 1)
                        <footer class="sheet-foot">
                            @if ($terms->page > 1)
                                <a href="{{ $to($terms->query(['page' => $terms->page - 1])) }}" rel="prev">Before</a>
                            @endif
                            <span class="quiet">page {{ $terms->page }} of {{ $table->pages() }}</span>
                            @if ($terms->page < $table->pages())
                                <a href="{{ $to($terms->query(['page' => $terms->page + 1])) }}" rel="next">Next</a>
                            @endif
                        </footer>
                    @endif
                @endif
            @endif
        </section>
    </div>
</x-page>
