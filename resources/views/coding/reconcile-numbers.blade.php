{{-- One coder’s reading of a result: its numbers, those that differ marked, and the words they rest on. --}}
<p class="small">{{ Str::ucfirst($side->form->label()) }}{{ $side->design->value === 'parallel' ? '' : ', ' . $side->design->label() }}</p>
@php($isElsewhere = $one->pair->difference() === WaryHeron\Core\Synthesis\Twice\ResultDifference::Place)
<p @class(['small', 'quiet' => !$isElsewhere, 'differs' => $isElsewhere])>
    {{ implode(', ', array_filter([$side->time_told, $side->days === null ? '' : "day {$side->days}", $side->scale])) ?: 'no time told' }}</p>
<table class="table reconcile-numbers">
    <thead class="sr-only">
        <tr>
            <th scope="col">Number</th>
            <th scope="col">{{ $comparison?->intervention->name ?? 'group' }}</th>
            <th scope="col">{{ $comparison?->comparator->name ?? '' }}</th>
        </tr>
    </thead>
    <tbody>
        @foreach (collect([...$side->form->fields(), ...$side->design->fields()])->groupBy('label') as $label => $fields)
            <tr>
                <td>{{ $label }}</td>
                @foreach ($fields as $field)
                    <td @class(['number', 'differs' => in_array($field->key, $differing, true)]) @if ($fields->count() === 1) colspan="2" @endif>
                        {{ $side->given[$field->key] ?? '–' }}</td>
                @endforeach
            </tr>
        @endforeach
    </tbody>
</table>
@foreach (collect($side->pieces())->flatten(1)->unique(fn($piece) => $piece->selector->quote)->take(4) as $piece)
    <blockquote class="evidence-strip serif">“{{ Str::limit($piece->selector->quote, 240) }}” <span
            class="small quiet">{{ $piece->whereabouts() }}</span></blockquote>
@endforeach
@if ($side->note !== '')
    <p class="small">{{ $side->note }}</p>
@endif
