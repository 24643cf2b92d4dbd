<x-page :title="'Coding: ' . $publication->title" :review="$review" stage="coding" place="coding">
    @php($mayCode = Gate::allows('code', $review) && $included)
    <div class="desk desk-fixed md:grid-cols-2">
        <section class="sheet">
            <div class="sheet-scroll" tabindex="0" role="region" aria-label="Title and abstract">
                <article class="reading">
                    <h1>{{ $publication->title }}</h1>
                    <p class="meta">{{ $publication->authors }} · {{ $publication->journal }} · {{ $publication->year }} ·
                        {{ $publication->place }}@if ($publication->doi !== '')
                            · doi {{ $publication->doi }}
                        @endif
                    </p>
                    @foreach ($copies as $copy)
                        <p class="meta"><a
                                href="{{ $copy['url'] }}">{{ $copy['name'] }}</a>{{ $copy['pages'] ? ", {$copy['pages']} pages" : '' }}</p>
                    @endforeach
                    <x-abstract :parts="$abstract" />
                </article>
            </div>
            <footer class="sheet-foot">
                @if ($previous)
                    <a class="button" href="{{ route('coding.show', [$review, $previous->id]) }}">Previous</a>
                @endif
                @if ($next)
                    <a class="button" href="{{ route('coding.show', [$review, $next->id]) }}">Next: {{ Str::before($next->authors, ';') }}
                        {{ $next->year }}</a>
                @endif
                <a href="{{ route('coding', $review) }}">The table</a>
            </footer>
        </section>
        <section class="sheet sheet-scroll" tabindex="0" aria-label="Answers">
            <header class="sheet-head">
                <h2>Answers</h2> <span>saved as you leave each; select words in the text and press “Quote” for evidence</span>
            </header>
            @unless ($included)
                <p class="problem">This publication is not included, so it is not coded. Its answers are kept.</p>
            @endunless
            @forelse ($table->codes as $code)
                @php($answer = $answers[$code->id] ?? null)
                <div id="code-{{ $code->id }}" class="code-item">
                <fieldset class="code-row" x-data="answer"
                    data-url="{{ route('coding.answer', [$review, $publication, $code], false) }}" data-seen="{{ $answer->id ?? '' }}"
                    @if ($code->type->value === 'choices') data-several="1" @endif x-bind:data-state="state" x-on:change="save"
                    @disabled(!$mayCode)>
                    <legend class="contents"><strong>{{ $code->label }}</strong></legend>
                    @if ($code->guidance !== '')
                        <p class="field-help">{{ $code->guidance }}</p>
                    @endif
                    @switch($code->type->value)
                        @case('choice')
                        @case('choices')
                            <div class="choices">
                                @foreach ($code->options as $option)
                                    <label><input type="{{ $code->type->value === 'choice' ? 'radio' : 'checkbox' }}"
                                            name="code-{{ $code->id }}" value="{{ $option }}" data-value @checked($code->type->value === 'choice'
                                                ? $answer?->value === $option : in_array($option,
                                                (array) ($answer->value ?? []), true))>
                                        {{ $option }}</label>
                                @endforeach
                            </div>
                        @break

                        @case('number')
                            <div class="row items-center"><input class="input !w-40" inputmode="decimal" data-value
                                    aria-label="{{ $code->label }}" value="{{ $answer->value ?? '' }}"> {{ $code->unit }}</div>
                        @break

                        @case('date')
                            <input class="input !w-48" type="date" data-value aria-label="{{ $code->label }}"
                                value="{{ $answer->value ?? '' }}">
                        @break

                        @case('text')
                            <textarea class="input" rows="2" data-value aria-label="{{ $code->label }}">{{ $answer->value ?? '' }}</textarea>
                        @break
                    @endswitch
                    <div class="row mt-2">
                        <div class="field grow"><label class="small quiet" for="quote-{{ $code->id }}">Evidence: the words it rests
                                on</label>
                            <textarea class="input serif" rows="2" id="quote-{{ $code->id }}" data-quote maxlength="4000">{{ $answer->quote ?? '' }}</textarea>
                        </div>
                        <div class="field"><label class="small quiet" for="place-{{ $code->id }}">Where</label><input class="input"
                                id="place-{{ $code->id }}" data-place size="9" maxlength="120"
                                value="{{ $answer->place ?? '' }}" placeholder="page 4"></div>
                        <button type="button" class="button button-plain" x-on:click="quoteSelection">Quote</button>
                        <button type="button" class="button button-plain" x-on:click="clear">Clear</button>
                    </div>
                    <p class="code-said quiet" x-text="said" role="status">{{ $answer ? "Saved by {$answer->user->name}" : '' }}</p>
                </fieldset>
                @if (!$answer && isset($leads[$code->id]) && $mayCode)
                    <x-lead :lead="$leads[$code->id]" :shown="(new \WaryHeron\Core\Coding\Code($code->type, $code->options, $code->unit))->show($leads[$code->id]->value)"
                        :url="route('leads.rule', [$review, $publication, $code])" :copy="$copies[0] ?? null" />
                @endif
                </div>
                @empty
                    <x-empty title="The codebook is empty">Say first what is to be found out: <a href="{{ route('codebook', $review) }}">the
                            codebook</a>.</x-empty>
                @endforelse
            </section>
        </div>
    </x-page>
