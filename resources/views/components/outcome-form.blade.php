{{-- The fields of an outcome; what kind it is stays once results hang on it. --}}
@props(['outcome' => null])
@use('WaryHeron\Core\Synthesis\Report\OutcomeKind')
@php
    $id = $outcome?->id ?? 'new';
    $lines = collect($outcome?->scales ?? [])->map(
        fn(array $one): string => implode('; ', array_filter([
            $one['name'],
            $one['low'] === null ? '' : "{$one['low']} to {$one['high']}",
            $one['reversed'] ? 'reversed' : '',
        ])),
    );
@endphp
<div class="field"><label for="name-{{ $id }}">Name</label><input class="input" id="name-{{ $id }}" name="name" maxlength="200" required
        value="{{ $outcome?->name ?? old('name') }}"></div>
@if ($outcome === null)
    <div class="field"><label for="kind-{{ $id }}">What it is</label><select class="input" id="kind-{{ $id }}" name="kind">
            @foreach (OutcomeKind::cases() as $kind)
                <option value="{{ $kind->value }}" @selected(old('kind') === $kind->value)>{{ $kind->label() }}</option>
            @endforeach
        </select></div>
@endif
<div class="field row"><label class="grow">Better is <select class="input" name="better">
            @foreach (['' => 'neither end', 'lower' => 'lower', 'higher' => 'higher'] as $value => $label)
                <option value="{{ $value }}" @selected(($outcome?->better ?? old('better', '')) === $value)>{{ $label }}</option>
            @endforeach
        </select></label>
    <label class="grow">Unit <input class="input" name="unit" maxlength="60" value="{{ $outcome?->unit ?? old('unit') }}"></label></div>
<div class="field"><label for="scales-{{ $id }}">Scales, a line each</label>
    <textarea class="input" id="scales-{{ $id }}" name="scales" rows="3" placeholder="visual analogue scale; 0 to 100&#10;nine-point scale; 1 to 9; reversed">{{ $outcome === null ? old('scales') : $lines->implode("\n") }}</textarea>
    <p class="field-help">Name; least to greatest; “reversed” where the other end is the better one.</p>
</div>
<div class="field"><label for="windows-{{ $id }}">Windows of time, a line each</label>
    <textarea class="input" id="windows-{{ $id }}" name="windows" rows="2" placeholder="under 3 months; to 3 months&#10;later; from 3 months">{{ $outcome === null ? old('windows') : collect($outcome->timeWindows())->map(fn($one) => "{$one->name}; {$one->span()}")->implode("\n") }}</textarea>
    <p class="field-help">Name; from when to when. Analyses choose among them by name.</p>
</div>
<div class="field"><label for="about-{{ $id }}">What counts</label>
    <textarea class="input" id="about-{{ $id }}" name="about" rows="2" maxlength="4000">{{ $outcome?->about ?? old('about') }}</textarea></div>
