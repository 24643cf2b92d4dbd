<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use App\Models\Publication;
use App\Models\Review;
use App\Models\StudyPart;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Coding\AskedItems;
use WaryHeron\Core\Coding\ItemStanding;

/** How far one study is coded in one hand: its answers, what waits, and what is asked, of it and of its parts. */
final readonly class StudyCoding
{
    /**
     * @param  list<AnswerSlot>  $slots  in the order of the codebook; items of one kind of part that stand together, part
     *     by part
     * @param  array<string, Answer>  $answers  by slot
     * @param  array<string, CodingLead>  $leads  by slot
     * @param  array<string, array<string, true>>  $asked  by part, then item; the whole under ''
     */
    private function __construct(
        public array $slots,
        public array $answers,
        public array $leads,
        private array $asked,
    ) {
    }

    /** @return Collection<string, Answer> that stand, by slot */
    private static function answers(Review $review, Publication $publication, User $user): Collection
    {
        return Answer::query()
            ->where('review_id', $review->id)
            ->where('publication_id', $publication->id)
            ->where('hand', $review->handOf($user))
            ->whereNull('superseded_at')
            ->with('user')
            ->get()
            ->keyBy(fn (Answer $one): string => AnswerSlot::keyOf($one->code_id, $one->part_id));
    }

    public static function of(Review $review, Publication $publication, User $user): self
    {
        $codes = $review->codes()->whereNull('retired_at')->get();
        $answers = self::answers($review, $publication, $user);
        $parts = StudyParts::of($publication);

        return new self(
            self::slotsOf($publication, $codes, $parts, $answers),
            $answers->all(),
            Leads::waitingFor($review, $publication->id, $user),
            self::askedOf($review, $publication, $codes, $parts, $answers),
        );
    }

    /** The slot of that key; null where the study has none. */
    public function slot(string $key): ?AnswerSlot
    {
        foreach ($this->slots as $slot) {
            if ($slot->key() === $key) {
                return $slot;
            }
        }

        return null;
    }

    /** @return array<string, string> by slot */
    public function standings(): array
    {
        $standings = [];
        foreach ($this->slots as $slot) {
            $standings[$slot->key()] = $this->standing($slot)->value;
        }

        return $standings;
    }

    private function standing(AnswerSlot $slot): ItemStanding
    {
        $answer = $this->answers[$slot->key()] ?? null;
        $isAsked = isset($this->asked[$slot->part->id ?? ''][$slot->code->id]);
        if (! $isAsked && $answer?->says() !== true) {
            return ItemStanding::NotAsked;
        }

        return ItemStanding::of(
            $answer?->says() === true,
            $answer !== null && ($answer->from_whole || $answer->evidence !== []),
            $answer?->value !== null,
            isset($this->leads[$slot->key()]),
        );
    }

    /**
     * @param  Collection<int, CodebookItem>  $codes
     * @param  Collection<int, StudyPart>  $parts
     * @param  Collection<string, Answer>  $answers
     * @return list<AnswerSlot>
     */
    private static function slotsOf(Publication $publication, Collection $codes, Collection $parts, Collection $answers): array
    {
        $said = $answers->filter(fn (Answer $one): bool => $one->says());
        $slots = [];
        foreach (self::runs($codes) as $run) {
            $ofRun = array_fill_keys(['', ...$parts->pluck('id')->all()], []);
            foreach ($run as $code) {
                $of = array_values($said->where('code_id', $code->id)->map(fn (Answer $one): ?string => $one->part_id)->all());
                foreach (StudyParts::slots($publication, $code, $parts, $of) as $slot) {
                    $ofRun[$slot->part->id ?? ''][] = $slot;
                }
            }
            array_push($slots, ...array_merge(...array_values($ofRun)));
        }

        return $slots;
    }

    /**
     * Items that stand together and are asked of the same parts, which are gone through part by part; each other item
     * by itself.
     *
     * @param  Collection<int, CodebookItem>  $codes
     * @return list<list<CodebookItem>>
     */
    private static function runs(Collection $codes): array
    {
        $runs = [];
        $before = null;
        foreach ($codes as $code) {
            $of = [$code->pass, $code->section, $code->per];
            if ($code->per !== '' && $of === $before) {
                $runs[count($runs) - 1][] = $code;
            } else {
                $runs[] = [$code];
            }
            $before = $of;
        }

        return $runs;
    }

    /**
     * @param  Collection<int, CodebookItem>  $codes
     * @param  Collection<int, StudyPart>  $parts
     * @param  Collection<string, Answer>  $answers
     * @return array<string, array<string, true>>
     */
    private static function askedOf(
        Review $review,
        Publication $publication,
        Collection $codes,
        Collection $parts,
        Collection $answers,
    ): array {
        $items = new AskedItems(
            array_values($codes->map(fn (CodebookItem $code) => $code->entry())->all()),
            $review->depth(),
        );
        $values = [];
        foreach ($answers as $answer) {
            $values[$answer->part_id ?? ''][$answer->code_id] = $answer->value;
        }

        return $items->ofParts($values, $parts->pluck('kind', 'id')->all(), $publication->id);
    }
}
