@use('WaryHeron\Core\Search\Dialect\Dialects')
<x-page title="Dialects" :review="$review" stage="searches" place="dialects">
    <div class="desk desk-spine" x-data="dialectFile" data-url="{{ route('dialects.try', $review, false) }}">
        <section class="sheet">
            <header class="sheet-head">
                <h1>Dialects</h1>
            </header>
            <p class="section small">A dialect says how a database writes a query. It is a file; <a
                    href="{{ route('dialects', [$review, 'open' => 'ccl']) }}">start from one that ships</a> and give it another name.</p>
            <ul class="spine">
                @foreach ($own as $one)
                    <li><a href="{{ route('dialects', [$review, 'open' => $one->name]) }}"
                            @if ($one->name === $name) aria-current="true" @endif><span></span><span>{{ $one->name }}<br><span
                                    class="small quiet">the team's own</span></span></a></li>
                @endforeach
                @foreach (Dialects::NAMES as $one)
                    <li><a href="{{ route('dialects', [$review, 'open' => $one]) }}"
                            @if ($one === $name) aria-current="true" @endif><span></span><span>{{ Dialects::named($one)?->title() }}<br><span
                                    class="small quiet">{{ $one }}, ships with Wary Heron</span></span></a></li>
                @endforeach
            </ul>
        </section>
        <section class="sheet">
            @if ($file === null)
                <x-empty title="Choose a dialect at the left">Its file opens here, beside one of your strategies as it would be
                    sent.</x-empty>
            @else
                <form method="post" action="{{ route('dialects.store', $review) }}">
                    @csrf
                    <header class="sheet-head">
                        <h2>{{ $name }}</h2>
                        <span class="end"><label class="small">Tried on <select class="input" x-ref="strategy" x-on:change="look">
                                    @foreach ($strategies as $one)
                                        <option value="{{ $one->id }}">{{ $one->name }}</option>
                                    @endforeach
                                </select></label></span>
                    </header>
                    <div class="split">
                        <div>
                            @include('searches.dialect-form')
                            <details class="section" @if (old('file')) open @endif>
                                <summary>For experts: the file itself, as JSON</summary>
                                <textarea class="input input-mono dialect-file" name="file" rows="30" spellcheck="false" aria-label="The dialect's file"
                                    x-ref="file" x-on:input="typed">{{ old('file', $file) }}</textarea>
                            </details>
                        </div>
                        <div class="sheet-body small" role="status">
                            <ul><template x-for="problem in problems" x-bind:key="problem">
                                    <li class="field-error" x-text="problem"></li>
                                </template></ul>
                            <template x-for="line in lines" x-bind:key="line.number">
                                <div class="mb-2">
                                    <p class="quiet">#<span x-text="line.number"></span> <code x-text="line.ours"></code></p>
                                    <p><code x-text="line.text"></code></p><template x-for="note in line.notes"
                                        x-bind:key="note">
                                        <p class="note" x-text="note"></p>
                                    </template>
                                </div>
                            </template>
                        </div>
                    </div>
                    @can('search', $review)
                        <div class="sheet-foot"><button class="button button-go">Save as the team's own</button> <span class="small quiet">Those
                                that ship stay as they are: change “name” first.</span></div>
                    @endcan
                </form>
            @endif
        </section>
    </div>
</x-page>
