<?php

declare(strict_types=1);

namespace App\Http\Requests\Screening;

use App\Actions\Screening\RecordDecision;
use App\Models\Criterion;
use App\Models\Decision;
use App\Models\Item;
use App\Models\Review;
use App\Models\Stage;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Screening\Verdict;

/** A verdict with its reason: an exclusion names the criterion that failed, where the review has criteria. */
final class VerdictRequest extends FormRequest
{
    /** @var Collection<int, Criterion> */
    private Collection $inUse;

    protected function prepareForValidation(): void
    {
        $this->inUse = new Collection();
    }

    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        $excludes = $this->input('verdict') === Verdict::Exclude->value;
        // read only where one is named, which spares most decisions two queries
        $stage = $excludes || $this->filled('criterion') || $this->input('answers', []) !== [] ? $this->stage() : null;
        $this->inUse = $stage?->criteriaInUse() ?? $this->inUse;
        $criteria = $this->inUse->pluck('id')->all();

        return [
            'verdict' => ['required', Rule::enum(Verdict::class)],
            'criterion' => [
                Rule::requiredIf($excludes && $stage?->requiresReason($criteria !== [])),
                'nullable',
                Rule::in($criteria),
            ],
            'note' => ['nullable', 'string', 'max:4000'],
            'answers' => ['nullable', 'array:'.implode(',', $criteria)],
            'answers.*' => ['in:yes,no,unclear'],
            'seen' => ['nullable', 'string', 'max:26'],
            'key' => ['nullable', 'string', 'max:40'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'criterion.required' => 'An exclusion needs its reason: choose the criterion that fails.',
            'criterion.in' => 'That criterion is not in use at this stage.',
        ];
    }

    public function verdict(): Verdict
    {
        return Verdict::from($this->string('verdict')->value());
    }

    public function criterion(): ?Criterion
    {
        $id = $this->string('criterion')->value();

        return $id === '' || $this->verdict() !== Verdict::Exclude ? null : $this->inUse->firstOrFail('id', $id);
    }

    /** @return array<string, string> */
    public function answers(): array
    {
        return array_filter((array) $this->input('answers'), is_string(...));
    }

    /** Keeps what was decided, as it was given. */
    public function keptBy(RecordDecision $record, User $by, Item $item): Decision
    {
        return $record->execute(
            $by,
            $item,
            $this->verdict(),
            $this->criterion(),
            $this->note(),
            $this->has('seen') ? $this->string('seen')->value() : null,
            $this->input('key'),
            $this->answers(),
        );
    }

    public function note(): string
    {
        return trim($this->string('note')->value());
    }

    private function stage(): Stage
    {
        $review = $this->route('review');

        return $review instanceof Review
            ? $review->stageOf($this->item())
            : throw new \LogicException('A verdict belongs to a review.');
    }

    private function item(): Item
    {
        $item = $this->route('item');

        return $item instanceof Item ? $item : throw new \LogicException('A verdict is about an item.');
    }
}
