<x-page title="Question" :review="$review" stage="question" place="question">
    @php($mayChange = Gate::allows('manage', $review))
    @php($hasSide = $steps !== [] || $retired->isNotEmpty())
    <div @class(['desk', $hasSide ? 'desk-side' : 'desk-alone'])>
        <div class="grid gap-3">
            <section class="sheet">
                <header class="sheet-head">
                    <h1>Question</h1> @unless ($mayChange)
                        <span>the review lead can change it</span>
                    @endunless
                </header>
                @unless ($mayChange)
                    <div class="sheet-body">
                        <p class="serif text-xl">{{ $review->question === '' ? 'Not worded yet.' : $review->question }}</p>
                        <dl class="facts mt-4">
                            @foreach ($concepts->rows as $row)
                                <dt>{{ $row->label }}</dt>
                                <dd>{{ $row->text === '' ? 'open' : $row->text }}</dd>
                            @endforeach
                            <dt>Protocol</dt>
                            <dd>{{ $review->protocol === '' ? 'not given' : $review->protocol }}</dd>
                            <dt>Registration</dt>
                            <dd>{{ $review->registration === '' ? 'not given' : $review->registration }}</dd>
                        </dl>
                    </div>
                @else
                    <x-question-form :review="$review" :concepts="$concepts" :written="$written" :told="$told" />
                @endunless
            </section>
            <section class="sheet" id="criteria">
                <header class="sheet-head">
                    <h2>Eligibility criteria</h2> <span>in the order in which they are asked; the first that fails is the reason for
                        exclusion</span>
                </header>
                @if ($criteria->isEmpty())
                    <x-empty title="No criteria yet">Phrase each as a question that is answered yes, no or unclear, so that “no” excludes:
                        “Are the people hospital staff who work at night?”</x-empty>
                @else
                    <table class="table">
                        <thead>
                            <tr>
                                <th scope="col" class="number">No.</th>
                                <th scope="col">Question (“no” excludes)</th>
                                <th scope="col">Reason, as reports name it</th>
                                <th scope="col"><span class="visually-hidden">Change</span></th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($criteria as $criterion)
                                <tr>
                                    <td class="number">{{ $loop->iteration }}</td>
                                    <td>
                                        @if ($mayChange)
                                            <form method="post" action="{{ route('criteria.update', [$review, $criterion]) }}"
                                                id="criterion-{{ $criterion->id }}">@csrf @method('put')
                                                    <x-shown :of="$criterion->only('question', 'reason')" /></form>
                                            <label class="visually-hidden" for="question-{{ $criterion->id }}">Question
                                                {{ $loop->iteration }}</label>
                                            <textarea class="input" rows="2" form="criterion-{{ $criterion->id }}" id="question-{{ $criterion->id }}" name="question"
                                                maxlength="400" required>{{ $criterion->question }}</textarea>
                                        @else
                                            {{ $criterion->question }}
                                        @endif
                                        @if ($criterion->version > 1)
                                            <details class="small quiet">
                                                <summary>Version {{ $criterion->version }}, since
                                                    {{ $criterion->reworded_at->format('j M Y') }}</summary>
                                                @foreach ($wordings[$criterion->id] ?? [] as $one)
                                                    <p>Version {{ $one->version }}, until
                                                        {{ \Carbon\CarbonImmutable::parse($one->until)->format('j M Y') }}:
                                                        “{{ $one->question }}” ({{ $one->reason }})</p>
                                                @endforeach
                                            </details>
                                        @endif
                                        @isset($excluded[$criterion->id])
                                            <p class="small"><a href="{{ route('library', [$review, 'reason' => $criterion->id]) }}">{{ number_format($excluded[$criterion->id]) }}
                                                    excluded</a> by it</p>
                                        @endisset
                                        @if ($mayChange && isset($older[$criterion->id]))
                                            <div class="asking small mt-1" role="status">
                                                <p><strong>{{ number_format($older[$criterion->id]) }}</strong>
                                                    {{ $older[$criterion->id] === 1 ? 'decision rests' : 'decisions rest' }} on the older
                                                    wording.</p>
                                                <p class="row mt-1"><button class="button" form="criterion-{{ $criterion->id }}"
                                                        name="do" value="leave">Leave
                                                        {{ $older[$criterion->id] === 1 ? 'it' : 'them' }}</button>
                                                    <a class="button" href="{{ route('criteria.older', [$review, $criterion]) }}">List
                                                        {{ $older[$criterion->id] === 1 ? 'it' : 'them' }}, or send round again</a>
                                                </p>
                                            </div>
                                        @endif
                                    </td>
                                    <td>
                                        @if ($mayChange)
                                            <label class="visually-hidden" for="reason-{{ $criterion->id }}">Reason
                                                {{ $loop->iteration }}</label>
                                            <textarea class="input" rows="2" form="criterion-{{ $criterion->id }}" id="reason-{{ $criterion->id }}" name="reason"
                                                maxlength="120" required>{{ $criterion->reason }}</textarea>
                                        @else
                                            {{ $criterion->reason }}
                                        @endif
                                    </td>
                                    <td class="whitespace-nowrap">
                                        @if ($mayChange)
                                            <button class="button button-plain" form="criterion-{{ $criterion->id }}">Save</button>
                                            <button class="button button-plain" form="criterion-{{ $criterion->id }}" name="do"
                                                value="up" aria-label="Move criterion {{ $loop->iteration }} up"
                                                @disabled($loop->first)>Up</button>
                                            <button class="button button-plain" form="criterion-{{ $criterion->id }}" name="do"
                                                value="down" aria-label="Move criterion {{ $loop->iteration }} down"
                                                @disabled($loop->last)>Down</button>
                                            <button class="button button-plain" form="criterion-{{ $criterion->id }}" name="do"
                                                value="retire" aria-label="Retire criterion {{ $loop->iteration }}">Retire</button>
                                        @endif
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                @endif
                @if ($mayChange)
                    <form class="sheet-foot" method="post" action="{{ route('criteria.store', $review) }}">
                        @csrf
                        <div class="row grow">
                            <div class="field grow"><label for="new-question">New criterion, as a question</label><input class="input"
                                    id="new-question" name="question" maxlength="400" placeholder="Is it primary research?" required></div>
                            <div class="field"><label for="new-reason">Short reason, if it fails</label><input class="input"
                                    id="new-reason" name="reason" maxlength="120" placeholder="Not primary research" required></div>
                            <button class="button">Add the criterion</button>
                        </div>
                        @error('question')
                            <p class="field-error" role="alert">{{ $message }}</p>
                        @enderror
                    </form>
                @endif
            </section>
        </div>
        <div class="grid gap-3">
            @if ($steps !== [])
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>What comes next</h2>
                    </header>
                    <ol class="sheet-body list-decimal pl-9 small">
                        @foreach ($steps as $step)
                            <li><a href="{{ $step->url }}">{{ $step->words }}</a></li>
                        @endforeach
                    </ol>
                </section>
            @endif
            @if ($retired->isNotEmpty())
                <section class="sheet">
                    <header class="sheet-head">
                        <h2>Retired criteria</h2>
                    </header>
                    <ul class="sheet-body small quiet">
                        @foreach ($retired as $criterion)
                            <li>{{ $criterion->question }} ({{ $criterion->retired_at->format('j M Y') }})</li>
                        @endforeach
                    </ul>
                </section>
            @endif
        </div>
    </div>
</x-page>
