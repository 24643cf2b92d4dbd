@use('App\Queries\Scouting\ScoutingTerms')
@use('WaryHeron\Core\Scouting\Reading\StudyKind')
<x-page title="Scouting" :review="$review" stage="question" place="scouting">
    @php
        $maySearch = Gate::allows('search', $review);
        $to = fn(array $other): string => route('scouting.show', [$review, $scouting, ...$terms->with($other)]);
        $wanted = $papers->wanted()->count();
        $shown = $papers->shown();
        $outcome = $question->of(\WaryHeron\Core\Scouting\Asked\ConceptRole::Outcome)[0]->text ?? '';
        $read = $papers->answering->count() + $others->silent;
    @endphp
    <div class="desk desk-side" @if ($isUnderWay) data-reload-when-done @endif
        @if ($isUnderWay && $papers->answering->isEmpty()) data-reload-when-begun="scouting" @endif>
        <section class="sheet">
            <header class="scout-head">
                <h1 class="serif">{{ $scouting->question }}</h1>
                <p class="small">
                    @foreach ($question->concepts as $concept)
                        {{ $concept->role->label() }} <strong class="scout-concept">{{ $concept->text }}</strong> ·
                    @endforeach
                    @if ($question->missing() !== [])
                        <span class="says-warn">not said: {{ implode(', ', array_map(fn($role): string => $role->label(), $question->missing())) }}</span> ·
                    @endif
                    {{ $isUnderWay ? 'being read: ' : '' }}{{ number_format($read) }} {{ Str::plural('record', $read) }} read,
                    {{ number_format($papers->answering->count()) }} {{ $papers->answering->count() === 1 ? 'answers' : 'answer' }}
                    @if ($scouting->new_since !== null)
                        · {{ $others->new === 0 ? 'nothing new' : number_format($others->new) . ' new' }} since
                        {{ $scouting->new_since->format('j M Y') }}
                    @endif
                </p>
                @if ($scouting->trouble !== '')
                    <p class="small says-warn" role="alert">{{ $scouting->trouble }}</p>
                @endif
            </header>
            @if ($papers->answering->isNotEmpty())
                <form class="table-narrow" method="get" action="{{ route('scouting.show', [$review, $scouting]) }}">
                    @foreach ($terms->with(['by' => null, 'says' => null]) as $name => $value)
                        <input type="hidden" name="{{ $name }}" value="{{ $value }}">
                    @endforeach
                    <label>By <select class="input" name="by">
                            <option value="">what they say, the likeliest first</option>
                            <option value="newest" @selected($terms->by === 'newest')>year, the newest first</option>
                            @foreach ($further as $one)
                                <option value="{{ $one->id }}" @selected($terms->by === $one->id)>{{ $one->label }}</option>
                            @endforeach
                        </select></label>
                    @if ($further->isNotEmpty())
                        <label>whose answer holds <input class="input" name="says" size="12" maxlength="200"
                                value="{{ $terms->says }}"></label>
                    @endif
                    <button class="button">Show</button>
                    @if ($terms->direction !== null)
                        <a class="table-filter" href="{{ $to(['direction' => null]) }}" aria-label="No longer only: {{ $terms->direction->value }}">{{ $terms->direction->value }}
                            <span aria-hidden="true">×</span></a>
                    @endif
                    @if ($terms->kind !== null)
                        <a class="table-filter" href="{{ $to(['kind' => null]) }}" aria-label="No longer only: {{ $terms->kind->plural() }}">{{ $terms->kind->plural() }}
                            <span aria-hidden="true">×</span></a>
                    @endif
                </form>
            @endif
            @forelse ($groups as $says => $group)
                <div @class(['scout-group', 'scout-group-plain' => $says === ''])>
                    @if ($says !== '')
                        <h2 class="scout-says">{{ Str::ucfirst($says) }}{{ in_array($says, ['more', 'less'], true) ? " {$outcome}" : '' }}
                            <span class="quiet small">{{ number_format($bySaying[$says]) }} {{ Str::plural('paper', $bySaying[$says]) }}{{ $group->count() < $bySaying[$says] ? ", {$group->count()} shown" : '' }}</span></h2>
                    @endif
                    <ol class="scout-papers">
                        @foreach ($group as $paper)
                            @include('scouting.paper')
                        @endforeach
                    </ol>
                </div>
            @empty
                @if ($isUnderWay)
                    <x-empty title="Reading">The first papers are shown here as soon as they are read. You can leave and come back.</x-empty>
                @elseif ($papers->answering->isEmpty())
                    <x-empty title="No record answers this question">{{ number_format($others->silent) }} were read. Ask it in other words, or wider: leave out
                        the place or the time. <a href="{{ route('scouting', $review) }}">Ask another</a></x-empty>
                @else
                    <x-empty title="None of them is left">The choice above leaves no paper. <a href="{{ route('scouting.show', [$review, $scouting]) }}">Show
                            all</a></x-empty>
                @endif
            @endforelse
            @if ($others->silent > 0 && $papers->answering->isNotEmpty())
                <div class="scout-group">
                    <h2 class="scout-says">Read, no answer <span class="quiet small">{{ number_format($others->silent) }}
                            {{ Str::plural('paper', $others->silent) }}</span></h2>
                    <p class="sheet-body small quiet">Their titles or abstracts share words with the question and report nothing of it.</p>
                </div>
            @endif
            @if ($others->out > 0)
                <details class="section">
                    <summary class="cursor-pointer">Thrown out: {{ $others->out }}</summary>
                    <ul class="small">
                        @foreach ($papers->thrownOut() as $paper)
                            <li class="scout-out">{{ $paper->reference()->suppliedTitle() }}
                                @if ($maySearch)
                                    <form method="post" action="{{ route('scouting.paper', [$review, $scouting, $paper]) }}">@csrf @method('put')<input
                                            type="hidden" name="out" value="0"><button class="link">Bring back</button></form>
                                @endif
                            </li>
                        @endforeach
                    </ul>
                </details>
            @endif
            @if ($papers->answering->isNotEmpty())
                <footer class="scout-foot">
                    @if ($maySearch)
                        <form method="post" action="{{ route('scouting.further', [$review, $scouting, ...$terms->with([])]) }}" class="scout-further">@csrf
                            <label class="visually-hidden" for="label">A further question</label>
                            <input class="input" id="label" name="label" maxlength="300" placeholder="Ask them something more, such as: how many people took part?">
                            @if ($codes->isNotEmpty())
                                <label class="visually-hidden" for="item">or an item of the codebook</label>
                                <select class="input" id="item" name="item">
                                    <option value="">or of the codebook</option>
                                    @foreach ($codes as $code)
                                        <option value="{{ $code->id }}">{{ $code->label }}</option>
                                    @endforeach
                                </select>
                            @endif
                            @if ($papers->answering->count() > $shown->count())
                                <label class="visually-hidden" for="of">Of which papers</label>
                                <select class="input" id="of" name="of">
                                    <option value="all">of all {{ number_format($papers->answering->count()) }}</option>
                                    <option value="shown">of the {{ $shown->count() }} shown</option>
                                </select>
                            @endif
                            <button class="button">Ask</button>
                        </form>
                    @endif
                    @if ($wanted > $shown->count())
                        <a class="button" href="{{ $to(['shown' => $terms->shown + ScoutingTerms::STEP]) }}#paper-{{ $shown->last()?->id }}">Show
                            {{ min(ScoutingTerms::STEP, $wanted - $shown->count()) }} more</a>
                    @endif
                </footer>
                @error('label')
                    <p class="sheet-body says-warn" role="alert">{{ $message }}</p>
                @enderror
            @endif
        </section>
        @include('scouting.beside')
    </div>
</x-page>
