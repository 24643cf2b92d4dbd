<?php

declare(strict_types=1);

namespace App\Http\Requests\Screening;

use App\Models\Review;
use App\Models\Stage;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Screening\Settler;
use WaryHeron\Core\Screening\StagePurpose;

/** The rules of a stage, to be tried or to be made. */
final class StageRulesRequest extends FormRequest
{
    private const FLAGS = ['unsure_includes', 'reason_required', 'reasons_must_agree', 'names_hidden'];

    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'do' => ['required', 'in:try,change'],
            'name' => ['required', 'string', 'max:80', 'regex:/\S/'],
            'required_decisions' => ['required', 'integer', 'between:1,9'],
            ...array_fill_keys(self::FLAGS, ['boolean']),
            'settled_by' => ['required', Rule::enum(Settler::class)],
            'work' => ['required', 'in:anything,shares,queue'],
            'criteria' => ['nullable', 'array'],
            'criteria.*' => ['nullable', 'integer', 'between:0,200'],
        ];
    }

    /** Whether it is only to be said what they would change. */
    public function isTrial(): bool
    {
        return $this->validated('do') === 'try';
    }

    /** @return array<string, string|int|bool|Settler|list<string>|null> of Stage */
    public function of(Review $review, Stage $stage): array
    {
        $flags = array_combine(self::FLAGS, array_map($this->boolean(...), self::FLAGS));
        $flags['reason_required'] = $flags['reason_required'] || $stage->purpose === StagePurpose::FullText;

        return [
            'name' => trim($this->validated('name')),
            'required_decisions' => (int) $this->validated('required_decisions'),
            'settled_by' => Settler::from($this->validated('settled_by')),
            'work' => $this->validated('work'),
            'criteria' => $this->criteria($review),
            ...$flags,
        ];
    }

    /** @return ?list<string> ids in order; null where all apply as the protocol has them */
    private function criteria(Review $review): ?array
    {
        /** @var array<string, ?string> $places by criterion; none where it does not apply */
        $places = $this->validated('criteria') ?? [];
        $protocol = array_values($review->criteria()->whereNull('retired_at')->pluck('id')->all());
        $chosen = array_filter(
            array_intersect_key($places, array_flip($protocol)),
            fn (?string $place): bool => (int) $place > 0,
        );
        asort($chosen);
        $ids = array_map(strval(...), array_keys($chosen));

        return $places === [] || $ids === $protocol ? null : $ids;
    }
}
