<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Models\Criterion;
use App\Queries\Shared\Asked;
use App\Queries\Shared\Visibility;
use Illuminate\Database\Query\Builder;
use WaryHeron\Core\Screening\CriterionAnswer;

/** What somebody answered to a criterion, as far as the viewer may see it: "criterion:answer". */
final readonly class AnswerFilter implements Filter
{
    private function __construct(private Criterion $criterion, private CriterionAnswer $answer, private Place $place)
    {
    }

    public static function from(Asked $asked, Place $place): array
    {
        [$id, $answer] = [...explode(':', $asked->text('answer'), 2), ''];
        $answer = CriterionAnswer::tryFrom($answer);
        $criterion =
            $answer === null
                ? null
                : Criterion::query()->where('review_id', $place->review->id)->where('id', $id)->first();

        return $criterion === null || $answer === null ? [] : [new self($criterion, $answer, $place)];
    }

    public function key(): string
    {
        return 'answer';
    }

    public function words(): string
    {
        return "answered {$this->answer->value} to “{$this->criterion->question}”";
    }

    public function apply(Builder $publications): void
    {
        Items::whereDecided(
            $publications,
            $this->place->stage,
            fn (Builder $decisions) => Visibility::decisions(
                $decisions
                    ->whereNull('decisions.superseded_at')
                    ->whereNotNull('decisions.verdict')
                    ->where("decisions.answers->{$this->criterion->id}", $this->answer->value),
                $this->place->viewer,
            ),
        );
    }
}
