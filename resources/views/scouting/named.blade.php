@use('WaryHeron\Core\Scouting\Named\NameKind')
<x-page title="{{ Str::ucfirst($kind->label()) }}" :review="$review" stage="question" place="scouting">
    <div class="desk">
        <section class="sheet">
            <header class="sheet-head">
                <h1>{{ Str::ucfirst($kind->label()) }} that papers name</h1>
                <span>in those that answer <a class="serif" href="{{ route('scouting.show', [$review, $scouting]) }}">{{ $scouting->question }}</a></span>
                <span class="end row">
                    @foreach (['csv', 'xlsx'] as $format)
                        <a href="{{ route('scouting.named', [$review, $scouting, $kind->value, $format]) }}">{{ strtoupper($format) }}</a>
                    @endforeach
                </span>
            </header>
            <nav class="table-narrow tabs" aria-label="Kinds of things">
                @foreach (NameKind::cases() as $one)
                    <a href="{{ route('scouting.things', [$review, $scouting, $one->value]) }}" @if ($one === $kind) aria-current="page" @endif>{{ $one->label() }}</a>
                @endforeach
            </nav>
            @if ($things === [])
                <x-empty title="None is named">The papers that answer name no {{ $kind->label() }}.
                    {{ in_array($kind, [NameKind::Intervention, NameKind::Outcome], true) ? 'These are looked for in the words of the question.' : 'Only proper names are found, such as “Ferring Scale”.' }}</x-empty>
            @else
                <form method="post" action="{{ route('scouting.board', [$review, $scouting, $kind->value]) }}">@csrf
                    <div class="overflow-x-auto" tabindex="0" role="region" aria-label="What the papers name">
                    <table class="table scout-named">
                        <thead>
                            <tr>
                                @can('search', $review)
                                    <th scope="col"><span class="visually-hidden">Take</span></th>
                                @endcan
                                <th scope="col">Name</th>
                                <th scope="col" class="number">Papers</th>
                                <th scope="col">Over the years</th>
                                <th scope="col">As the papers say it</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($things as $one)
                                @include('scouting.named-thing')
                            @endforeach
                        </tbody>
                    </table>
                    </div>
                    @can('search', $review)
                        <footer class="scout-foot">
                            @if ($concepts === [])
                                <span class="quiet">There is no strategy yet into which a name could go.</span>
                            @else
                                <label>Those ticked into <select class="input select-fits" name="concept">
                                        @foreach ($concepts as $strategy => $blocks)
                                            @foreach ($blocks as $key => $name)
                                                <option value="{{ $key }}">{{ $name }}, of “{{ Str::limit($strategy, 50) }}”</option>
                                            @endforeach
                                        @endforeach
                                    </select></label>
                                <button class="button button-go">Into the board</button>
                            @endif
                            @error('names')
                                <span class="says-warn" role="alert">{{ $message }}</span>
                            @enderror
                        </footer>
                    @endcan
                </form>
            @endif
        </section>
    </div>
</x-page>
