{{-- A box or a choice for an answer to an item of the codebook, in a plain form. --}}
@props(['code'])
@use('WaryHeron\Core\Coding\CodeType')
@switch($code->type)
    @case(CodeType::Choice)
    @case(CodeType::YesNo)
        <select class="input" name="value" aria-label="{{ $code->label }}">
            <option value="">…</option>
            @foreach ($code->code()->choosable() as $option)
                <option>{{ $option }}</option>
            @endforeach
        </select>
    @break

    @case(CodeType::Choices)
        @foreach ($code->options as $option)
            <label class="block"><input type="checkbox" name="value[]" value="{{ $option }}"> {{ $option }}</label>
        @endforeach
    @break

    @case(CodeType::Number)
        <span class="row items-center"><input class="input number" name="value" inputmode="decimal" aria-label="{{ $code->label }}">
            {{ $code->unit }}</span>
    @break

    @case(CodeType::Date)
        <input class="input" type="date" name="value" aria-label="{{ $code->label }}">
    @break

    @case(CodeType::Text)
        <input class="input" name="value" aria-label="{{ $code->label }}" maxlength="4000">
    @break
@endswitch
