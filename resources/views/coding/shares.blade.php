@php($names = $coders->pluck('name', 'id'))
<x-page title="Shares of coding" :review="$review" stage="coding" place="coding.shares">
    <div class="desk desk-side">
        <div class="grid gap-3">
            @if ($draft)
                <section class="sheet" id="preview" role="status">
                    <header class="sheet-head">
                        <h2>Preview</h2> <span>nothing is shared out yet</span>
                    </header>
                    <div class="sheet-body">
                        @if ($draft->plan === null)
                            <p class="field-error" role="alert">{{ $draft->problem }}</p>
                        @else
                            <p><strong>{{ number_format(count($draft->studies)) }}</strong> {{ Str::plural('study', count($draft->studies)) }},
                                each to {{ $review->coded_by === 2 ? 'two coders, apart from each other' : 'one coder' }}:</p>
                            <table class="table small">
                                <thead>
                                    <tr>
                                        <th scope="col">Coder</th>
                                        <th scope="col" class="number">Studies</th>
                                    </tr>
                                </thead>
                                <tbody>
                                    @foreach ($draft->plan->perPerson() as $id => $n)
                                        <tr>
                                            <td>{{ $names[$id] ?? '' }}</td>
                                            <td class="number">{{ $n }}</td>
                                        </tr>
                                    @endforeach
                                    @foreach ($draft->plan->perPair() as $pair => $n)
                                        <tr class="quiet">
                                            <td>both {{ collect(explode(' ', $pair))->map(fn($id) => $names[$id] ?? '')->join(' and ') }}</td>
                                            <td class="number">{{ $n }}</td>
                                        </tr>
                                    @endforeach
                                </tbody>
                            </table>
                            <form class="row mt-2" method="post" action="{{ route('coding.shares.store', $review) }}">@csrf
                                @foreach ($weights as $id => $weight)
                                    <input type="hidden" name="people[]" value="{{ $id }}">
                                    <input type="hidden" name="weight[{{ $id }}]" value="{{ $weight }}">
                                @endforeach
                                <input type="hidden" name="seed" value="{{ $seed }}">
                                <input type="hidden" name="expected" value="{{ count($draft->studies) }}">
                                <button class="button button-go">Share them out so</button>
                                <a href="{{ route('coding.shares', $review) }}">Not now</a>
                            </form>
                        @endif
                    </div>
                </section>
            @endif
            <section class="sheet">
                <header class="sheet-head">
                    <h1>Shares of coding</h1> <span>{{ number_format($shared) }} of {{ number_format($studies) }} included
                        {{ Str::plural('study', $studies) }} shared out</span>
                </header>
                @if ($standing === [])
                    <x-empty title="Nobody has a share yet">Until studies are shared out, everybody who codes takes any of them.</x-empty>
                @else
                    <table class="table">
                        <thead>
                            <tr>
                                <th scope="col">Coder</th>
                                <th scope="col" class="number">Studies</th>
                                <th scope="col" class="number">Coded</th>
                                <th scope="col">What is left</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($standing as $one)
                                <tr>
                                    <td><a href="{{ route('coding', [$review, 'whose' => $one->id]) }}">{{ $one->name }}</a></td>
                                    <td class="number">{{ $one->given }}</td>
                                    <td class="number">{{ $one->coded }}</td>
                                    <td>
                                        @can('manage', $review)
                                            @if ($one->coded < $one->given && $one->membership)
                                                <div class="row">
                                                    <x-menu label="Hand on" class="button button-plain">
                                                        <form method="post" action="{{ route('coding.shares.hand-on', [$review, $one->membership]) }}">@csrf
                                                            <fieldset class="choices">
                                                                <legend class="small quiet">{{ $one->given - $one->coded }} of {{ $one->name }} to</legend>
                                                                @foreach ($coders->reject(fn($coder) => $coder->id === $one->id) as $other)
                                                                    <label><input type="checkbox" name="to[]" value="{{ $other->id }}"> {{ $other->name }}</label>
                                                                @endforeach
                                                            </fieldset>
                                                            <button class="button button-go">Hand them on</button>
                                                        </form>
                                                    </x-menu>
                                                    <form method="post" action="{{ route('coding.shares.take-back', [$review, $one->membership]) }}">@csrf
                                                        @method('delete') <button class="button button-plain">Take back</button></form>
                                                </div>
                                            @else
                                                <span class="quiet">{{ $one->given - $one->coded ?: 'nothing' }}</span>
                                            @endif
                                        @else
                                            {{ $one->given - $one->coded }}
                                        @endcan
                                    </td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                    @error('to')
                        <p class="sheet-body field-error" role="alert">{{ $message }}</p>
                    @enderror
                @endif
            </section>
        </div>
        @can('manage', $review)
            <section class="sheet">
                <header class="sheet-head">
                    <h2>Share out</h2> <span>{{ number_format($studies - $shared) }} have nobody</span>
                </header>
                <form class="sheet-body grid gap-2" method="get" action="{{ route('coding.shares', $review) }}#preview">
                    <table class="table small">
                        <thead>
                            <tr>
                                <th scope="col">Coder</th>
                                <th scope="col">Weight</th>
                            </tr>
                        </thead>
                        <tbody>
                            @foreach ($coders as $one)
                                <tr>
                                    <td><label><input type="checkbox" name="people[]" value="{{ $one->id }}" @checked($weights === [] || isset($weights[$one->id]))>
                                            {{ $one->name }}</label></td>
                                    <td><input class="input" type="number" name="weight[{{ $one->id }}]" min="0" max="100" step="0.1" size="4"
                                            value="{{ $weights[$one->id] ?? 1 }}" aria-label="Weight of {{ $one->name }}"></td>
                                </tr>
                            @endforeach
                        </tbody>
                    </table>
                    <label class="row">Seed <input class="input" name="seed" type="number" min="0" value="{{ $seed }}" size="8"></label>
                    <p class="field-help">Each study goes to {{ $review->coded_by === 2 ? 'two coders' : 'one coder' }}, as the
                        <a href="{{ route('codebook', $review) }}">codebook</a> says; nobody gets a paper of their own. A weight of 2 is twice as many as 1.
                        The same seed gives the same shares.</p>
                    <button class="button button-go">Show what it would be</button>
                </form>
            </section>
        @endcan
    </div>
</x-page>
