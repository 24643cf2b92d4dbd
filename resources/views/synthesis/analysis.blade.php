@use('App\Queries\Synthesis\Shown')
@use('WaryHeron\Core\Synthesis\Choice\IntervalBy')
@use('WaryHeron\Core\Synthesis\Choice\PooledBy')
@use('WaryHeron\Core\Synthesis\Choice\SeveralGroups')
@php
    $all = $pooled->pooled();
    $measure = $terms->measure;
    $shown = fn($one): string => Shown::pooled($measure, $one, $pooled->size());
    $tried = $isTried ? ['tried' => 1, ...$terms->toArray()] : [];
    $to = fn(array $more = []): string => route('analyses.show', [$review, $analysis, ...$tried, ...$more]);
    $file = fn(string $picture, string $format): string => route('analyses.download', [$review, $analysis, $picture, $format, ...$tried]);
    $spread = $pooled->heterogeneity()->toArray();
    $leftOut = $pooled->leftOut();
    $turning = $pooled->turning($leftOut);
    $egger = $pooled->egger();
    $begg = $pooled->begg();
    $influence = $pooled->influence();
    $filled = $pooled->filled();
    $hide = fn(string $study): array => ['tried' => 1, ...$terms->toArray(), 'hidden' => array_values(array_unique([...$terms->hidden, $study]))];
    $bring = fn(string $study): array => ['tried' => 1, ...$terms->toArray(), 'hidden' => array_values(array_diff($terms->hidden, [$study]))];
    $reasons = collect($pooled->rows)->filter(fn($row): bool => $row->chosen->why !== '');
    $missing = collect($pooled->rows)->filter(fn($row): bool => !$row->effect->isDefined());
    $links = collect($pooled->rows)->mapWithKeys(fn($row): array => [$row->key => $to(['study' => $row->key])])->all();
    $times = match (true) {
        $terms->rows->from === null && $terms->rows->to === null => '',
        $terms->rows->to === null => " from day {$terms->rows->from} on",
        default => ' from day ' . ($terms->rows->from ?? 0) . " to {$terms->rows->to}",
    };
    $onlyItem = $codes->firstWhere('id', $terms->onlyItem);
@endphp
<x-page :title="$analysis->title" :review="$review" stage="synthesis" place="analyses">
    <div @class(['desk', 'desk-three desk-analysis' => $at !== null, 'desk-analysis-plain' => $at === null]) x-data="keyed">
        <section class="sheet">
            <header class="sheet-head">
                <h1>{{ $analysis->title }}</h1>
            </header>
            <p class="section analysis-said">Pool <strong>{{ Str::lower($pooled->outcome->name) }}</strong>{{ $times }}{{ $comparison ? ', ' : '' }}<strong>{{ $comparison?->words() }}</strong>, as
                <strong>{{ $measure->label() }}</strong> with <strong>{{ $terms->by->label() }}</strong>{{ $onlyItem ? ", from studies whose {$onlyItem->label} is " . implode(' or ', $terms->onlyAnswers) : '' }}.</p>
            @if ($isTried)
                <div class="section tried" role="status">
                    <p>Terms are being tried; nothing is saved.</p>
                    <div class="row">
                        @can('code', $review)
                            <form method="post" action="{{ route('analyses.update', [$review, $analysis]) }}">@csrf @method('put')
                                <x-hidden :query="array_filter(['tried' => 1, ...$terms->toArray()], fn($one) => $one !== null)" />
                                <button class="button button-go">Keep them</button>
                            </form>
                        @endcan
                        <a href="{{ route('analyses.show', [$review, $analysis]) }}" data-key="U" data-does="As it is kept">As it is kept
                            <kbd>U</kbd></a>
                    </div>
                </div>
            @endif
            <form class="sheet-body no-print" method="get" action="{{ route('analyses.show', [$review, $analysis]) }}">
                <input type="hidden" name="tried" value="1">
                <x-hidden :query="['hidden' => $terms->hidden]" />
                <div class="field"><label for="measure">Measure</label><select class="input" id="measure" name="measure">
                        @foreach ($pooled->outcome->kind->measures() as $one)
                            <option value="{{ $one->value }}" @selected($one === $measure)>{{ $one->label() }}</option>
                        @endforeach
                    </select></div>
                <div class="field"><label for="by">Model</label><select class="input" id="by" name="by">
                        @foreach (PooledBy::cases() as $one)
                            @if ($one->suits($measure))
                                <option value="{{ $one->value }}" @selected($one === $terms->by)>{{ $one->label() }}</option>
                            @endif
                        @endforeach
                    </select></div>
                <div class="field"><label for="interval">Interval of random effects</label><select class="input" id="interval" name="interval">
                        @foreach (IntervalBy::cases() as $one)
                            <option value="{{ $one->value }}" @selected($one === $terms->interval)>{{ $one->label() }}</option>
                        @endforeach
                    </select></div>
                <div class="field"><label for="groups">Subgroups by</label><select class="input" id="groups" name="groups">
                        <option value="">none</option>
                        @foreach ($codes as $code)
                            @if ($code->code()->choosable() !== [])
                                <option value="{{ $code->id }}" @selected($code->id === $terms->groups)>{{ $code->label }}</option>
                            @endif
                        @endforeach
                    </select></div>
                <div class="field"><label for="moderators">Regression on</label>
                    @foreach ([0, 1] as $i)
                        <select class="input" @if ($i === 0) id="moderators" @else aria-label="and on" @endif name="moderators[]">
                            <option value="">{{ $i === 0 ? 'nothing' : 'nothing else' }}</option>
                            <option value="year" @selected(($terms->moderators[$i] ?? '') === 'year')>year</option>
                            @foreach ($codes->filter(fn($one): bool => $one->type->value === 'number') as $code)
                                <option value="{{ $code->id }}" @selected(($terms->moderators[$i] ?? '') === $code->id)>{{ $code->label }}</option>
                            @endforeach
                        </select>
                        @break($terms->moderators === [])
                    @endforeach
                </div>
                @if ($scales->isNotEmpty())
                    <label class="field block">Marked by <select class="input" name="marks">
                            <option value="">nothing</option>
                            @foreach ($scales as $item)
                                <option value="{{ $item->id }}" @selected($terms->marks === $item->id)>{{ $item->label }}</option>
                            @endforeach
                        </select></label>
                    @if ($terms->marks !== '')
                        <p class="field-help">A disc beside each study, the fuller the worse; a dash where it is not judged.</p>
                    @endif
                @endif
                <details class="field" @if ($onlyItem || $terms->rows->nearest !== null || $terms->rows->from !== null || $terms->rows->to !== null) open @endif>
                    <summary class="cursor-pointer">Which results of a study</summary>
                    @if ($pooled->outcome->timeWindows() !== [])
                        @php($was = collect($pooled->outcome->timeWindows())->search(fn($one): bool => $one->from === $terms->rows->from && $one->to === $terms->rows->to))
                        <input type="hidden" name="window_was" value="{{ $was === false ? '' : $was }}">
                        <label class="field block">When <select class="input" name="window">
                                <option value="">as said below</option>
                                @foreach ($pooled->outcome->timeWindows() as $i => $one)
                                    <option value="{{ $i }}" @selected($i === $was)>{{ $one->name }}
                                        ({{ $one->span() }})</option>
                                @endforeach
                            </select></label>
                    @endif
                    <div class="row mt-2"><label>From day <input class="input" name="from" size="4" inputmode="numeric"
                                value="{{ $terms->rows->from }}"></label> <label>to <input class="input" name="to" size="4"
                                inputmode="numeric" value="{{ $terms->rows->to }}"></label></div>
                    <label class="field block">Of several times, nearest to day <input class="input" name="nearest" size="4" inputmode="numeric"
                            value="{{ $terms->rows->nearest }}"></label>
                    @if (count($pooled->outcome->scales) > 1)
                        <label class="field block">Of several scales, first <select class="input" name="scales[]">
                                <option value="">the first by name</option>
                                @foreach ($pooled->outcome->scales as $scale)
                                    <option @selected(($terms->rows->scales[0] ?? '') === $scale['name'])>{{ $scale['name'] }}</option>
                                @endforeach
                            </select></label>
                    @endif
                    <label class="field block">Several groups against one comparator are <select class="input" name="several">
                            @foreach (SeveralGroups::cases() as $one)
                                <option value="{{ $one->value }}" @selected($one === $terms->rows->several)>{{ $one->label() }}</option>
                            @endforeach
                        </select></label>
                    <label class="field block">Only studies whose <select class="input" name="only">
                            <option value="">– all studies –</option>
                            @foreach ($codes as $code)
                                @if ($code->code()->choosable() !== [])
                                    <option value="{{ $code->id }}" @selected($code->id === $terms->onlyItem)>{{ $code->label }}</option>
                                @endif
                            @endforeach
                        </select></label>
                    @if ($onlyItem)
                        <fieldset class="choices">
                            <legend class="small quiet">is</legend>
                            @foreach ($onlyItem->code()->choosable() as $option)
                                <label><input type="checkbox" name="answers[]" value="{{ $option }}" @checked(in_array($option, $terms->onlyAnswers, true))>
                                    {{ $option }}</label>
                            @endforeach
                        </fieldset>
                    @endif
                </details>
                <button class="button">Try these</button>
            </form>
            @can('code', $review)
                <form class="sheet-foot" method="post" action="{{ route('analyses.retire', [$review, $analysis]) }}">@csrf
                    <button class="button button-plain">Retire the analysis</button></form>
            @endcan
        </section>
        <section class="sheet">
            <header class="sheet-head">
                <h2>Forest plot</h2> <span>{{ $all->k }} {{ Str::plural('study', $all->k) }}{{ $pooled->people() > 0 ? ', ' . number_format($pooled->people()) . ' people' : '' }}</span>
                <span class="end no-print">
                    @foreach (['svg', 'png', 'pdf'] as $format)
                        <a href="{{ $file('forest', $format) }}">{{ strtoupper($format) }}</a> ·
                    @endforeach
                    <a href="{{ $file('data', 'csv') }}">CSV</a>
                </span>
            </header>
            @if ($pooled->rows === [])
                <x-empty title="No study reports this yet">Take results at the Coding Desk, under <em>Numbers</em>.</x-empty>
            @else
                <div class="print-only">
                    @foreach ($plot->forest(isNoted: true)->pages(App\Queries\Synthesis\ForestPlot::LINES_A_PAGE) as $page)
                        <div class="plot-page">{!! $page->svg($analysis->title, isFile: false) !!}</div>
                    @endforeach
                </div>
                <div class="plot-scroll no-print" tabindex="0" role="region" aria-label="Forest plot">{!! $plot->forest()->svg($analysis->title, isFile: false, chosen: $at?->key ?? '', links: $links) !!}</div>
                <div class="section plot-said">
                    @if ($at === null)
                        <p class="small quiet no-print">Press a study: where its numbers come from stands beside the plot.</p>
                    @endif
                    @if ($all->k > 1)
                        <p>{{ $all->tau2 === null ? '' : 'τ² ' . Shown::number($all->tau2, 3) . ' (' . Shown::number($spread['tau2_low'], 3) . ' to ' . Shown::number($spread['tau2_high'], 3) . ') · ' }}I² {{ Shown::number($spread['I2'], 0) }} %{{ $spread['I2_low'] === null ? '' : ' (' . Shown::number($spread['I2_low'], 0) . ' to ' . Shown::number($spread['I2_high'], 0) . ')' }}
                            · Q {{ Shown::number($spread['Q'], 1) }} on {{ $spread['df'] }}, p {{ Shown::p($spread['p']) }}{{ $terms->by->isRandom() ? ' · interval: ' . $terms->interval->label() : '' }}</p>
                        @if ($all->prediction !== null)
                            <p>Where a new study may fall: {{ Shown::number($measure->shown($all->prediction[0], $pooled->size())) }} to
                                {{ Shown::number($measure->shown($all->prediction[1], $pooled->size())) }}</p>
                        @endif
                        @php($between = $pooled->between())
                        @if ($between !== null && $between->q !== null)
                            <p>Between the groups: Q {{ Shown::number($between->q, 1) }} on {{ $between->df }}, p {{ Shown::p($between->p) }}</p>
                        @endif
                        @php($estimates = collect($leftOut)->pluck('estimate')->filter(fn($one) => $one !== null))
                        <p>Left out, one by one: {{ Shown::number($measure->shown($estimates->min(), $pooled->size())) }} to
                            {{ Shown::number($measure->shown($estimates->max(), $pooled->size())) }} ·
                            {{ $turning === [] ? 'no single study turns the conclusion.' : 'the conclusion turns without ' . implode(', or ', $turning) . '.' }}</p>
                    @endif
                    @if ($terms->by === PooledBy::MantelHaenszel && $all->k < count($pooled->studies()))
                        <p>{{ count($pooled->studies()) - $all->k }} of the studies give no counts, which Mantel-Haenszel pools; they are left
                            out of the pooled estimate.</p>
                    @endif
                </div>
                @if ($reasons->isNotEmpty() || $missing->isNotEmpty())
                    <div class="section small">
                        @foreach ($reasons as $row)
                            <p><strong>{{ $row->label }}</strong>: {{ $row->chosen->why }}.</p>
                        @endforeach
                        @foreach ($missing as $row)
                            <p><strong>{{ $row->label }}</strong> is not pooled: what it reports gives no {{ $measure->label() }}.</p>
                        @endforeach
                    </div>
                @endif
                @if ($regression !== null)
                    <div class="section">
                        <h3>Regression on {{ implode(' and ', $regression->names) }}</h3>
                        @if ($regression->fit === null)
                            <p class="quiet">There are too few studies with {{ count($regression->names) > 1 ? 'these numbers' : 'this number' }}, or all have the
                                same.</p>
                        @else
                            <table class="table">
                                <thead>
                                    <tr>
                                        <th scope="col"></th>
                                        <th scope="col" class="number">coefficient (95% CI)</th>
                                        <th scope="col" class="number">t on {{ $regression->fit->df }}</th>
                                        <th scope="col" class="number">p</th>
                                    </tr>
                                </thead>
                                <tbody>
                                    @foreach ($regression->fit->rows() as $row)
                                        <tr>
                                            <th scope="row">{{ $row->name }}</th>
                                            <td class="number">{{ Shown::number($row->estimate, 4) }} ({{ Shown::number($row->interval->low, 4) }} to
                                                {{ Shown::number($row->interval->high, 4) }})</td>
                                            <td class="number">{{ Shown::number($row->t) }}</td>
                                            <td class="number">{{ Shown::p($row->p) }}</td>
                                        </tr>
                                    @endforeach
                                </tbody>
                            </table>
                            <p class="small">{{ $regression->fit->k }} studies{{ $measure->isRatio() ? ', on the scale of logs' : '' }} · REML, Knapp-Hartung · τ² left
                                {{ Shown::number($regression->fit->tau2, 3) }}{{ $regression->fit->explained === null ? '' : ', explained ' . Shown::number($regression->fit->explained, 0) . ' %' }}
                                · Q of what is left {{ Shown::number($regression->fit->q, 1) }} on {{ $regression->fit->df }}, p {{ Shown::p($regression->fit->pOfRest()) }}</p>
                            @if ($regression->plot() !== null)
                                <div class="plot-scroll">{!! $regression->plot()->svg("{$analysis->title} by {$regression->names[0]}", isFile: false) !!}</div>
                                <p class="small"><a href="{{ $file('regression', 'svg') }}">SVG</a> · <a href="{{ $file('regression', 'png') }}">PNG</a></p>
                            @endif
                        @endif
                        @if ($regression->without !== [])
                            <p class="small quiet">Without a number, and so not in it: {{ implode(', ', $regression->without) }}.</p>
                        @endif
                    </div>
                @endif
                @if ($all->k > 2)
                    <details class="section">
                        <summary class="cursor-pointer">Each left out in turn, and added year by year</summary>
                        <div class="analysis-tables">
                            <table class="table">
                                <caption class="small quiet">Without, and how far each moves the estimate</caption>
                                <thead>
                                    <tr>
                                        <th scope="col">Study</th>
                                        <th scope="col" class="number">without it</th>
                                        <th scope="col" class="number"><abbr title="How many standard errors the estimate at this study moves when it is left out">DFFITS</abbr></th>
                                        <th scope="col" class="number"><abbr title="Cook’s distance">Cook</abbr></th>
                                        <th scope="col" class="number"><abbr title="Studentised residual: how far it lies from what the others say">residual</abbr></th>
                                    </tr>
                                </thead>
                                <tbody>
                                    @foreach ($leftOut as $key => $one)
                                        @php($moves = $influence[$key] ?? null)
                                        <tr>
                                            <th scope="row">{{ $pooled->labelOf($key) }}@if ($moves?->isInfluential())
                                                    <span class="says-warn">moves it much</span>
                                                @endif
                                            </th>
                                            <td class="number">{{ $shown($one) }}</td>
                                            <td class="number">{{ Shown::number($moves?->dffits) }}</td>
                                            <td class="number">{{ Shown::number($moves?->cook) }}</td>
                                            <td class="number">{{ Shown::number($moves?->residual) }}</td>
                                        </tr>
                                    @endforeach
                                </tbody>
                            </table>
                            <table class="table">
                                <caption class="small quiet">Up to</caption>
                                <tbody>
                                    @foreach ($pooled->cumulative() as $one)
                                        <tr>
                                            <th scope="row">{{ $one->label }}</th>
                                            <td class="number">{{ $shown($one->pooled) }}</td>
                                        </tr>
                                    @endforeach
                                </tbody>
                            </table>
                        </div>
                    </details>
                    <details class="section">
                        <summary class="cursor-pointer">Small studies: funnel
                            plot{{ $egger->p === null ? '' : ', Egger p ' . Shown::p($egger->p) }}{{ $begg->p === null ? '' : ', Begg p ' . Shown::p($begg->p) }}
                        </summary>
                        <div class="plot-scroll">{!! $plot->funnel()->svg("{$analysis->title}, funnel", isFile: false) !!}</div>
                        @if ($filled !== null)
                            <p class="small">Trim and fill:
                                @if ($filled->missing === 0)
                                    nothing seems to be missing on the {{ $filled->side }}.
                                @else
                                    {{ $filled->missing }} {{ Str::plural('study', $filled->missing) }} seem missing on the {{ $filled->side }}; with
                                    {{ $filled->missing === 1 ? 'its mirror image' : 'their mirror images' }} (hollow)
                                    {{ Shown::of($measure, $filled->estimate->value, $filled->estimate->interval(), $pooled->size()) }} instead
                                    of {{ $shown($all) }}. Nobody observed
                                    {{ $filled->missing === 1 ? 'it' : 'them' }}: a look at what lopsidedness could do, no correction.
                                @endif
                            </p>
                        @endif
                        <p class="small quiet">Areas between the contours: p above 0.1, 0.05 to 0.1, 0.01 to 0.05. Of fewer than ten studies these
                            tests say little. <a href="{{ $file('funnel', 'svg') }}">SVG</a> · <a href="{{ $file('funnel', 'png') }}">PNG</a></p>
                    </details>
                @endif
                <x-trace-notes :review="$review" :pooled="$pooled" :notes="$notes" />
            @endif
        </section>
        @if ($at !== null)
            <section class="sheet no-print" aria-label="Where a study comes from">
                <x-trace :review="$review" :row="$at" :trace="$trace" :pooled="$pooled" />
                <div class="sheet-foot">
                    @if ($at->isHidden)
                        <a class="button" href="{{ route('analyses.show', [$review, $analysis, ...$bring($at->chosen->study), 'study' => $at->key]) }}">Take it
                            in again</a>
                    @else
                        <a class="button" href="{{ route('analyses.show', [$review, $analysis, ...$hide($at->chosen->study), 'study' => $at->key]) }}">Leave it
                            out, to see</a>
                    @endif
                </div>
            </section>
        @endif
    </div>
</x-page>
