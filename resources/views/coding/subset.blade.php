@use('WaryHeron\Core\Coding\Subset')
@php
    $called = fn($one): string => trim(Str::before($one->authors, ';') . ' ' . $one->year) ?: Str::limit($one->title, 60);
    $mayManage = Gate::allows('manage', $review);
    $waits = count($changes['join']) + count($changes['leave']);
@endphp
<x-page title="In-depth subset" :review="$review" stage="coding" place="coding.subset">
    <div class="desk desk-side">
        <div class="grid gap-3">
            @if ($tried)
                <section class="sheet" id="preview" role="status">
                    <header class="sheet-head">
                        <h2>Preview</h2> <span>{{ $tried->words() }}</span>
                    </header>
                    <div class="sheet-body">
                        <p><strong>{{ $tried->studies()->count() }}</strong> of {{ $studies->count() + $others->count() }} studies:
                            {{ $tried->studies()->take(12)->map($called)->implode(', ') ?: 'none yet' }}{{ $tried->studies()->count() > 12 ? ', …' : '' }}</p>
                        @if ($mayManage)
                            <form class="grid gap-2 mt-2" method="post" action="{{ route('coding.subset.define', $review) }}">@csrf @method('put')
                                @foreach ($ticked as $item => $answers)
                                    @foreach ($answers as $answer)
                                        <input type="hidden" name="answers[{{ $item }}][]" value="{{ $answer }}">
                                    @endforeach
                                @endforeach
                                <div class="row"><button class="button button-go" name="follows" value="0">Keep this list; show what would change first</button>
                                    <button class="button" name="follows" value="1">Follow the rule as studies are coded</button></div>
                            </form>
                        @endif
                    </div>
                </section>
            @endif
            @if ($waits > 0)
                <section class="sheet" role="status">
                    <header class="sheet-head">
                        <h2>What the rule would change</h2> <span>since the list was made</span>
                    </header>
                    <div class="sheet-body">
                        @foreach (['join' => 'would join', 'leave' => 'would leave'] as $way => $words)
                            @if ($changes[$way] !== [])
                                <p><strong>{{ count($changes[$way]) }} {{ $words }}</strong>: {{ collect($changes[$way])->map($called)->implode(', ') }}</p>
                            @endif
                        @endforeach
                        @if ($mayManage)
                            <form class="mt-2" method="post" action="{{ route('coding.subset.follow', $review) }}">@csrf <button class="button button-go">Change the
                                    list so</button></form>
                        @endif
                        <p class="small quiet mt-1">What was answered in depth of a study that leaves is kept.</p>
                    </div>
                </section>
            @endif
            <section class="sheet">
                <header class="sheet-head">
                    <h1>In-depth subset</h1>
                    <span>{{ $studies->count() }} of {{ $studies->count() + $others->count() }} studies: {{ $subset->words() }}{{ $subset->subset === null ? '' : ($subset->subset->follows ? ', as they are coded' : ', after a look') }}</span>
                </header>
                @if ($studies->isEmpty())
                    <x-empty title="No study goes on to the in-depth pass">The rule holds for none, and none was put there by hand.</x-empty>
                @else
                    <div class="overflow-x-auto" tabindex="0" role="region" aria-label="Studies in the subset">
                    <table class="table">
                        <thead>
                            <tr>
                                <th scope="col">Study</th>
                                <th scope="col">In it</th>
                                <th scope="col"><span class="visually-hidden">Do</span></th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($studies as $one)
                                <tr>
                                    <td><a class="title-link" href="{{ route('coding.show', [$review, $one->id]) }}">{{ $called($one) }}</a>
                                        <span class="small quiet">{{ Str::limit($one->title, 90) }}</span></td>
                                    <td class="whitespace-nowrap">{{ $subset->subset === null ? 'as all are' : ($one->how === Subset::HAND ? 'by hand' : 'by the rule') }}</td>
                                    <td>
                                        @if ($mayManage && $subset->subset !== null)
                                            <form method="post" action="{{ route('coding.subset.hand', $review) }}">@csrf <input type="hidden" name="in"
                                                    value="0"><button class="button button-plain" name="studies[]" value="{{ $one->id }}">Leave out<span
                                                        class="visually-hidden">: {{ $one->title }}</span></button></form>
                                        @endif
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                    </div>
                @endif
                @if ($mayManage && $others->isNotEmpty())
                    <form class="section line-up" method="post" action="{{ route('coding.subset.hand', $review) }}">@csrf <input type="hidden" name="in"
                            value="1"><label>Put there by hand <select class="input select-fits" name="studies[]">
                                @foreach ($others as $one)
                                    <option value="{{ $one->id }}">{{ $called($one) }}: {{ Str::limit($one->title, 60) }}</option>
                                @endforeach
                            </select></label> <button class="button">Put it there</button></form>
                @endif
            </section>
        </div>
        @if ($mayManage)
            <section class="sheet">
                <header class="sheet-head">
                    <h2>By answers</h2> <span>all that are ticked have to hold</span>
                </header>
                @if ($items->isEmpty())
                    <p class="sheet-body quiet">The codebook has no mapping item whose answers are chosen.</p>
                @else
                    <form class="sheet-body grid gap-2" method="get" action="{{ route('coding.subset', $review) }}#preview">
                        @foreach ($items as $item)
                            <details class="small" @if (isset($ticked[$item->id])) open @endif>
                                <summary class="cursor-pointer">“{{ $item->label }}” is</summary>
                                @foreach ($item->code()->choosable() as $option)
                                    <label class="block ml-6"><input type="checkbox" name="answers[{{ $item->id }}][]" value="{{ $option }}"
                                            @checked(in_array($option, $ticked[$item->id] ?? [], true))> {{ $option }}</label>
                                @endforeach
                            </details>
                        @endforeach
                        <button class="button button-go">Show which studies</button>
                    </form>
                    <form class="section" method="post" action="{{ route('coding.subset.define', $review) }}">@csrf @method('put') <input type="hidden"
                            name="all" value="1"><button class="button">All studies, without a rule</button></form>
                @endif
            </section>
        @endif
    </div>
</x-page>
