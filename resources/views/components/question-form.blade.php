{{-- The question in words, its concepts by a frame or the team's own, and where the review was announced. --}}
@props(['review', 'concepts', 'written', 'told'])
@use('WaryHeron\Core\Question\ConceptFrame')
<form class="sheet-body" method="post" action="{{ route('question.update', $review) }}" x-data="frames">
    @csrf @method('put') <x-shown :of="$told" />
    <x-field name="title" label="Short title" :value="$review->title" maxlength="200" required />
    <x-field name="question" label="Question">
        <textarea class="input serif" id="question" name="question" rows="2" maxlength="2000">{{ old('question', $review->question) }}</textarea>
    </x-field>
    <x-field name="frame" label="Taken apart by">
        <select class="input" id="frame" name="frame" x-ref="frame" x-on:change="choose">
            @foreach (ConceptFrame::cases() as $frame)
                <option value="{{ $frame->value }}" @selected(old('frame', $review->frame->value) === $frame->value)>{{ $frame->label() }}</option>
            @endforeach
        </select>
    </x-field>
    @foreach (ConceptFrame::cases() as $frame)
        <fieldset class="concepts" data-frame="{{ $frame->value }}" @if ($frame !== $review->frame) hidden disabled @endif>
            <legend class="visually-hidden">{{ $frame->label() }}</legend>
            @foreach ($frame->parts() as $part)
                <div class="field">
                    <label for="{{ $frame->value }}-{{ $part->key }}">{{ $part->label }}</label>
                    <textarea class="input" id="{{ $frame->value }}-{{ $part->key }}" name="concepts[{{ $part->key }}]" rows="2"
                        maxlength="1000" placeholder="{{ $part->isForSearch ? ucfirst($part->asks) : 'May stay open' }}">{{ old("concepts.{$part->key}", $written[$part->key] ?? '') }}</textarea>
                    @error("concepts.{$part->key}")
                        <p class="field-error" role="alert">{{ $message }}</p>
                    @enderror
                </div>
            @endforeach
        </fieldset>
    @endforeach
    <fieldset class="own-concepts">
        <legend>Concepts of our own</legend>
        @foreach ([...old('own', array_map(fn ($row) => ['label' => $row->label, 'text' => $row->text], $concepts->own())), [], []] as $i => $row)
            <div class="own-concept" @if ($row === [] && $loop->last) hidden data-spare @endif>
                <input class="input" name="own[{{ $i }}][label]" maxlength="60" placeholder="Setting" aria-label="Name of concept {{ $i + 1 }}"
                    value="{{ $row['label'] ?? '' }}">
                <textarea class="input" name="own[{{ $i }}][text]" rows="1" maxlength="1000" aria-label="Concept {{ $i + 1 }}">{{ $row['text'] ?? '' }}</textarea>
                @error("own.{$i}.label")
                    <p class="field-error" role="alert">{{ $message }}</p>
                @enderror
            </div>
        @endforeach
        <button type="button" class="button button-plain" x-on:click="add">One more concept</button>
    </fieldset>
    <div class="grid gap-x-4 md:grid-cols-2">
        <x-field name="protocol" label="Protocol" help="Where it is: an address, or where it was published." :value="$review->protocol"
            maxlength="1000" />
        <x-field name="registration" label="Registration" help="The register, and the number there." :value="$review->registration"
            maxlength="300" />
    </div>
    <button class="button button-go">Save the question</button>
</form>
