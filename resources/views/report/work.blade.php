<x-page title="Work" :review="$review" stage="report" place="report.work">
    <div class="desk desk-side">
        <section class="sheet">
            <header class="sheet-head">
                <h1>How the review is done</h1> <span>counted and drawn just now; each number opens what it counts</span>
            </header>
            <div class="sheet-body work-diagram" tabindex="0" role="region" aria-label="The diagram of work">{!! Str::after($svg, "?>\n") !!}</div>
            <table class="table">
                <caption class="visually-hidden">What each number counts</caption>
                <thead>
                    <tr>
                        <th scope="col">Step</th>
                        <th scope="col" class="number">Number</th>
                        <th scope="col">of</th>
                        <th scope="col">What it counts</th>
                    </tr>
                </thead>
                <tbody>
                    @foreach ($steps as $step)
                        @foreach ($step->facts as $fact)
                            <tr>
                                <td>{{ $loop->first ? $step->title : '' }}</td>
                                <td class="number"><a href="{{ $fact->link }}">{{ number_format($fact->n) }}</a></td>
                                <td>{{ $fact->label }}</td>
                                <td>{{ $fact->definition }}</td>
                            </tr>
                        @endforeach
                    @endforeach
                    @foreach ($flow as $one)
                        <tr>
                            <td>{{ $loop->first ? 'Flow diagram' : '' }}</td>
                            <td class="number">
                                @isset($links[$one->line->key])
                                    <a href="{{ $links[$one->line->key] }}">{{ number_format((int) $one->line->n) }}</a>
                                @else
                                    {{ number_format((int) $one->line->n) }}
                                @endisset
                            </td>
                            <td>{{ $one->line->label }}</td>
                            <td>{{ \WaryHeron\Core\Flow\Definitions::of($one->line->key) }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </section>
        <aside class="sheet" aria-label="Beside the diagram">
            <div class="section">
                <h2>Take it along</h2>
                <p>
                    @foreach (['svg' => 'SVG', 'png' => 'PNG', 'pdf' => 'PDF'] as $format => $name)
                        {{ $loop->first ? '' : '· ' }}<a href="{{ route('report.work.download', [$review, $format]) }}" download>{{ $name }}</a>
                    @endforeach
                </p>
                <p class="small quiet">In the SVG each number is a link here, with what it counts.</p>
            </div>
            @can('manage', $review)
                <form class="section grid gap-2" method="post" action="{{ route('report.work.word', $review) }}">@csrf @method('put')
                    <x-shown :of="$review->only(\App\Actions\Report\WordWork::WORDED)" />
                    <h2>Words and layout</h2>
                    <label>Side by side <select class="input" name="columns">
                            @foreach ($columns as $one)
                                <option value="{{ $one }}" @selected($review->work_columns === $one)>{{ $one }}</option>
                            @endforeach
                        </select></label>
                    @foreach ($steps as $i => $step)
                        <label class="visually-hidden" for="caption-{{ $i }}">What step {{ $i + 1 }} is called</label>
                        <input class="input" id="caption-{{ $i }}" name="captions[{{ $i }}]" maxlength="120" value="{{ $step->title }}">
                    @endforeach
                    <button class="button">Save the words</button>
                    <p class="small quiet">Numbers, rules and people are as they are; empty, a step has its usual name.</p>
                </form>
            @endcan
        </aside>
    </div>
</x-page>
