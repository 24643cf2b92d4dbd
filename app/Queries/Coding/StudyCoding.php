<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use App\Models\Publication;
use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Coding\AskedItems;
use WaryHeron\Core\Coding\ItemStanding;

/** How far one study is coded in one hand: its answers, what waits, and what is asked. */
final readonly class StudyCoding
{
    /**
     * @param  Collection<int, CodebookItem>  $codes  in the order of the codebook
     * @param  array<string, Answer>  $answers  by code
     * @param  array<string, CodingLead>  $leads  by code
     * @param  array<string, true>  $asked
     */
    private function __construct(
        public Collection $codes,
        public array $answers,
        public array $leads,
        private array $asked,
    ) {
    }

    public static function of(Review $review, Publication $publication, User $user): self
    {
        $codes = $review->codes()->whereNull('retired_at')->get();
        $answers = Answer::query()
            ->where('review_id', $review->id)
            ->where('publication_id', $publication->id)
            ->where('hand', $review->handOf($user))
            ->whereNull('superseded_at')
            ->with('user')
            ->get()
            ->keyBy('code_id')
            ->all();
        $entries = array_values($codes->map(fn (CodebookItem $code) => $code->entry())->all());
        $values = array_map(fn (Answer $one): mixed => $one->value, $answers);

        return new self(
            $codes,
            $answers,
            Leads::waitingFor($review, $publication->id, $user),
            (new AskedItems($entries, $review->depth()))->of($values, $publication->id),
        );
    }

    /** @return array<string, string> by code */
    public function standings(): array
    {
        return array_map(
            fn (ItemStanding $one): string => $one->value,
            $this->codes->mapWithKeys(fn (CodebookItem $code): array => [$code->id => $this->standing($code)])->all(),
        );
    }

    private function standing(CodebookItem $code): ItemStanding
    {
        $answer = $this->answers[$code->id] ?? null;
        if (! isset($this->asked[$code->id]) && $answer?->says() !== true) {
            return ItemStanding::NotAsked;
        }

        return ItemStanding::of(
            $answer?->says() === true,
            $answer !== null && ($answer->from_whole || $answer->evidence !== []),
            $answer?->value !== null,
            isset($this->leads[$code->id]),
        );
    }
}
