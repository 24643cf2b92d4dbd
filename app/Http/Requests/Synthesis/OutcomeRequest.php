<?php

declare(strict_types=1);

namespace App\Http\Requests\Synthesis;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;
use WaryHeron\Core\Synthesis\Choice\OutcomeScale;
use WaryHeron\Core\Synthesis\Choice\TimeWindow;
use WaryHeron\Core\Synthesis\Report\OutcomeKind;

/** An outcome as the review defines it; scales are written a line each: “nine-point sleepiness scale; 1 to 9; reversed”. */
final class OutcomeRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:200'],
            'kind' => [$this->route('outcome') === null ? 'required' : 'nullable', Rule::enum(OutcomeKind::class)],
            'better' => ['nullable', 'in:lower,higher'],
            'unit' => ['nullable', 'string', 'max:60'],
            'about' => ['nullable', 'string', 'max:4000'],
            'scales' => ['nullable', 'string', 'max:4000'],
            'windows' => ['nullable', 'string', 'max:4000'],
        ];
    }

    /** @return list<\Closure(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                foreach ($this->lines('windows') as $line) {
                    if (TimeWindow::told($line) === null) {
                        $validator->errors()->add('windows', "“{$line}” is no window of time: write its name; then 0 to 3 months.");
                    }
                }
                foreach ($this->lines('scales') as $line) {
                    if (OutcomeScale::told($line) === null) {
                        $validator->errors()->add('scales', "“{$line}” is no scale: write its name; then, if you like, 1 to 9; then reversed.");
                    }
                }
            },
        ];
    }

    public function kind(): OutcomeKind
    {
        return OutcomeKind::from($this->validated('kind'));
    }

    public function called(): string
    {
        return trim((string) $this->validated('name'));
    }

    /** @return array<string, string|list<array<string, string|int|float|bool|null>>> */
    public function values(): array
    {
        $better = $this->validated('better');

        return [
            'name' => $this->called(),
            'better' => $better === 'lower' || $better === 'higher' ? $better : '',
            'unit' => trim((string) $this->validated('unit')),
            'scales' => array_map(
                fn (OutcomeScale $one): array => $one->toArray(),
                array_values(array_filter(array_map(OutcomeScale::told(...), $this->lines('scales')))),
            ),
            'windows' => array_map(
                fn (TimeWindow $one): array => ['name' => $one->name, 'from' => $one->from, 'to' => $one->to],
                array_values(array_filter(array_map(TimeWindow::told(...), $this->lines('windows')))),
            ),
            'about' => trim((string) $this->validated('about')),
        ];
    }

    /** @return list<string> */
    private function lines(string $of): array
    {
        $given = $this->input($of);

        return preg_split('/\s*\R\s*/', is_string($given) ? trim($given) : '', -1, PREG_SPLIT_NO_EMPTY) ?: [];
    }
}
