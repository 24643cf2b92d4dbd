{{-- An item of the codebook, to be added or changed. --}}
@use('WaryHeron\Core\Coding\Book\Outline')
@use('WaryHeron\Core\Coding\CodeType')
@use('WaryHeron\Core\Coding\Pass')
@props(['action', 'code' => null, 'method' => 'post', 'codes' => [], 'sections' => [], 'touched' => []])
@php
    $id = $code->id ?? 'new';
    // what was typed comes back where this form was refused
    $typed = fn(string $key, mixed $stands) => ($touched !== [] || !$code) && old('form') === $id ? old($key) : $stands;
    $options = $typed('options', Outline::write($code->options ?? []));
@endphp
<form method="post" action="{{ $action }}" class="code-form">
    @csrf @method($method)
    @if ($code)
        <x-shown :of="$code" />
    @endif
    <input type="hidden" name="form" value="{{ $id }}">
    @if ($touched !== [])
        <div class="problem">
            <p>These options have been chosen and would be gone. Say what becomes of the answers; nothing is changed until then.</p>
            @foreach ($touched as $option => $count)
                <label class="block mt-1">{{ $count }} {{ $count === 1 ? 'answer' : 'answers' }} “{{ $option }}” become
                    <select class="input" name="becomes[{{ $option }}]" required>
                        <option value="">…</option>
                        @foreach (Outline::read($options) as $one)
                            <option>{{ $one }}</option>
                        @endforeach
                    </select></label>
            @endforeach
        </div>
    @endif
    <div class="row mb-3">
        <div class="field grow"><label for="label-{{ $id }}">Item</label><input class="input" id="label-{{ $id }}" name="label"
                value="{{ $typed('label', $code->label ?? '') }}" maxlength="120" required></div>
        <div class="field"><label for="type-{{ $id }}">Answer</label><select class="input" id="type-{{ $id }}" name="type">
                @foreach (CodeType::cases() as $type)
                    <option value="{{ $type->value }}" @selected($typed('type', $code?->type->value) === $type->value)>{{ $type->label() }}</option>
                @endforeach
            </select></div>
    </div>
    <div class="field"><label for="guidance-{{ $id }}">Guidance for coders</label>
        <textarea class="input" id="guidance-{{ $id }}" name="guidance" rows="2" maxlength="2000">{{ $typed('guidance', $code->guidance ?? '') }}</textarea>
    </div>
    <div class="field"><label for="options-{{ $id }}">Options, one on each line; indent narrower ones</label>
        <textarea class="input" id="options-{{ $id }}" name="options" rows="3">{{ $options }}</textarea>
    </div>
    <div class="row mb-3">
        <div class="field"><label for="unit-{{ $id }}">Unit</label><input class="input" id="unit-{{ $id }}" name="unit"
                value="{{ $typed('unit', $code->unit ?? '') }}" maxlength="40" size="8"></div>
        <div class="field"><label for="minimum-{{ $id }}">At least</label><input class="input number" id="minimum-{{ $id }}" name="minimum"
                inputmode="decimal" value="{{ $typed('minimum', $code?->minimum) }}" size="5"></div>
        <div class="field"><label for="maximum-{{ $id }}">At most</label><input class="input number" id="maximum-{{ $id }}" name="maximum"
                inputmode="decimal" value="{{ $typed('maximum', $code?->maximum) }}" size="5"></div>
    </div>
    <details class="mb-3" @if ($code && ($code->section !== '' || $code->when_answers !== [] || $code->synonyms !== [] || $code->per !== '')) open @endif>
        <summary class="cursor-pointer small">Section, pass, asked of what, examples, other words, condition</summary>
        <div class="row mt-2">
            <div class="field grow"><label for="section-{{ $id }}">Section</label><input class="input" id="section-{{ $id }}" name="section"
                    list="code-sections" value="{{ $typed('section', $code->section ?? '') }}" maxlength="120"></div>
            <div class="field"><label for="pass-{{ $id }}">Pass</label><select class="input" id="pass-{{ $id }}" name="pass">
                    @foreach (Pass::cases() as $pass)
                        <option value="{{ $pass->value }}" @selected($typed('pass', $code?->pass->value) === $pass->value)>{{ $pass->label() }}</option>
                    @endforeach
                </select></div>
        </div>
        <div class="field"><label for="per-{{ $id }}">Asked of each (empty: once of the study)</label><input class="input" id="per-{{ $id }}"
                name="per" list="code-parts" value="{{ $typed('per', $code->per ?? '') }}" maxlength="40" placeholder="arm, outcome, site">
        </div>
        <div class="field"><label for="examples-{{ $id }}">Examples of answers</label><input class="input" id="examples-{{ $id }}"
                name="examples" value="{{ $typed('examples', $code->examples ?? '') }}" maxlength="2000"></div>
        <div class="field"><label for="synonyms-{{ $id }}">Other words for it, with commas between; leads are found by them</label><input
                class="input" id="synonyms-{{ $id }}" name="synonyms" value="{{ $typed('synonyms', implode(', ', $code->synonyms ?? [])) }}"
                maxlength="2000"></div>
        <div class="row">
            <div class="field grow"><label for="when-{{ $id }}">Asked only where</label><select class="input" id="when-{{ $id }}" name="when">
                    <option value="">always</option>
                    @foreach ($codes as $other)
                        @if ($other->id !== $code?->id && $other->code()->choosable() !== [])
                            <option value="{{ $other->id }}" @selected($typed('when', $code?->when_code_id) === $other->id)>{{ $other->label }}</option>
                        @endif
                    @endforeach
                </select></div>
            <div class="field grow"><label for="when-answers-{{ $id }}">is one of these, one on each line</label>
                <textarea class="input" id="when-answers-{{ $id }}" name="when_answers" rows="2">{{ $typed('when_answers', implode("\n", $code->when_answers ?? [])) }}</textarea>
            </div>
        </div>
        <label class="small"><input type="checkbox" name="required" value="1" @checked($typed('required', $code->required ?? false))> has to be answered</label>
    </details>
    <button class="button {{ $code ? '' : 'button-go' }}">{{ $code ? 'Save' : 'Add to the codebook' }}</button>
</form>
