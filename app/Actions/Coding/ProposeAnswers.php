<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\AnswerSlot;
use App\Queries\Coding\Corrections;
use App\Queries\Coding\StudyParts;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\InvalidAnswer;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadFinder;
use WaryHeron\Core\Coding\Lead\LeadPass;
use WaryHeron\Core\Coding\Lead\LeadRuling;
use WaryHeron\Core\Coding\Lead\Parted\PartLeads;
use WaryHeron\Core\Coding\Lead\Parted\PartNames;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\Paper;

/**
 * Reads one paper and proposes an answer to each item of the codebook that has none, part by
 * part where it is asked so. What a person ruled on is left as it is; what still waits is replaced. Never in a request:
 * PDFs come from anywhere.
 */
final readonly class ProposeAnswers
{
    public function __construct(private LeadFinder $finder)
    {
    }

    /**
     * @param  ?string  $only  the item that is looked for; null for all
     * @return int how many answers are proposed
     */
    public function execute(
        Review $review,
        Publication $publication,
        ?string $only = null,
        LeadPass $pass = LeadPass::Deep,
    ): int {
        $open = $this->open($review, $publication, $only);
        $rows = [];
        foreach ($open === [] ? [] : PapersOfStudy::of($publication) as $read) {
            $left = array_filter($open, fn (AnswerSlot $one): bool => ($rows[$one->key()]->value ?? null) === null);
            $report = $read->report;
            $where = $report->id === $publication->id ? '' : "In {$report->called()}, another report: ";
            foreach ($this->found($review, $left, $pass->of($read->paper), $read->copy, $pass) as $key => $row) {
                $isBetter = ! isset($rows[$key]) || $row->value !== null;
                $rows[$key] = $isBetter ? $row->foundIn($where) : $rows[$key];
            }
        }
        $kept = array_map(
            fn (string $key): array => [...$open[$key]->values(), ...$rows[$key]->columns()],
            array_keys($rows),
        );
        if ($open !== []) {
            $this->keep($review, $publication, $kept, $only);
        }

        return count($rows);
    }

    /**
     * @param  array<string, AnswerSlot>  $open
     * @return array<string, ProposedAnswer> what a paper says, by slot
     */
    private function found(Review $review, array $open, Paper $paper, ?string $copy, LeadPass $pass): array
    {
        $passages = Passages::of($paper);
        // the beginning of a paper leaves out too much for its silence to say something
        $whole = $pass === LeadPass::Deep ? $copy : null;
        $asked = self::asked($review, $open);
        $leads = $this->leadsOf($open, $asked, $passages);
        $rows = [];
        foreach ($open as $key => $slot) {
            $row = isset($asked[$slot->part === null ? 'whole' : 'parts'][$slot->code->id])
                ? $this->row($slot->code, $passages, [$copy, $whole], $leads[$key] ?? null)
                : null;
            if ($row !== null) {
                $rows[$key] = $row;
            }
        }

        return $rows;
    }

    /**
     * @param  array<string, AnswerSlot>  $open
     * @return array<string, array<string, AskedItem>> those that can be asked of a paper, of the whole or of its parts
     */
    private static function asked(Review $review, array $open): array
    {
        $corrections = Corrections::of($review);
        $asked = [];
        foreach ($open as $slot) {
            $item = $slot->code->asked($corrections->learned($slot->code->id));
            if ($item !== null) {
                $asked[$slot->part === null ? 'whole' : 'parts'][$item->id] = $item;
            }
        }

        return $asked;
    }

    /**
     * @param  array<string, AnswerSlot>  $open
     * @param  array<string, array<string, AskedItem>>  $asked  of the whole and of parts, by item
     * @return array<string, Lead> by slot
     */
    private function leadsOf(array $open, array $asked, Passages $passages): array
    {
        $leads = $this->finder->leads(array_values($asked['whole'] ?? []), $passages);
        $names = self::names($open);
        if ($names !== []) {
            $ofParts = (new PartLeads($this->finder))->leads(
                array_values($asked['parts'] ?? []),
                $passages,
                PartNames::of($names),
            );
            foreach ($ofParts as $part => $of) {
                foreach ($of as $item => $lead) {
                    $leads[AnswerSlot::keyOf((string) $item, $part)] = $lead;
                }
            }
        }

        return $leads;
    }

    /**
     * What the parts that are asked about are told apart by: their own names, and those of the groups they are.
     *
     * @param  array<string, AnswerSlot>  $open
     * @return array<string, list<string>> by part
     */
    private static function names(array $open): array
    {
        $names = [];
        $slot = reset($open);
        foreach ($slot === false ? [] : StudyParts::of($slot->publication)->load('arm') as $part) {
            $usual = $part->arm === null ? [] : [$part->arm->name, ...PartNames::USUAL[$part->arm->kind] ?? []];
            $names[$part->id] = [$part->name, ...$usual];
        }

        return $names;
    }

    /** @return array<string, AnswerSlot> without answer, and without a lead that somebody ruled on, by their keys */
    private function open(Review $review, Publication $publication, ?string $only): array
    {
        $closed = self::closed($review, $publication);
        $parts = StudyParts::of($publication);
        $open = [];
        $codes = $review->codes()->whereNull('retired_at')->when($only, fn ($codes) => $codes->whereKey($only));
        foreach ($codes->get() as $code) {
            foreach (StudyParts::slots($publication, $code, $parts, []) as $slot) {
                // what is asked of parts waits until they are named
                if (! isset($closed[$slot->key()]) && ($code->per === '' || $slot->part !== null)) {
                    $open[$slot->key()] = $slot;
                }
            }
        }

        return $open;
    }

    /** @return array<string, true> by slot: where two code apart, the other one has use for a lead until both have answered */
    private static function closed(Review $review, Publication $publication): array
    {
        $ruled = CodingLead::query()
            ->where('review_id', $review->id)
            ->where('publication_id', $publication->id)
            ->where('ruling', '<>', LeadRuling::Waiting)
            ->get(['code_id', 'part_id']);
        $closed = [];
        foreach ([...self::answered($review, $publication), ...$ruled] as $one) {
            $closed[AnswerSlot::keyOf($one->code_id, $one->part_id)] = true;
        }

        return $closed;
    }

    /** @return list<Answer> those that both stand for, of whom each may have given one */
    private static function answered(Review $review, Publication $publication): array
    {
        $answers = Answer::query()
            ->where('review_id', $review->id)
            ->where('publication_id', $publication->id)
            ->where('hand', '')
            ->whereNull('superseded_at')
            ->where(fn ($said) => $said->whereNotNull('value')->orWhere('kind', '<>', AnswerKind::Value));

        return array_values($answers->get(['code_id', 'part_id'])->all());
    }

    /**
     * @param  array{?string, ?string}  $copies  the copy that was read; the same where it was read as a whole
     */
    private function row(CodebookItem $code, Passages $passages, array $copies, ?Lead $lead): ?ProposedAnswer
    {
        [$copy, $whole] = $copies;
        $value = $lead === null ? null : $this->value($code, $lead);
        if ($lead === null || $value === null) {
            // an abstract leaves out too much for its silence to say something, and so does whoever words it otherwise
            $isSilent = $whole !== null && ! in_array($code->type, [CodeType::YesNo, CodeType::Choices], true);

            return $isSilent ? ProposedAnswer::none($code, $passages, $whole) : null;
        }

        return ProposedAnswer::read($lead, $value, $copy);
    }

    /**
     * What the codebook takes as an answer; null where it would not.
     *
     * @return string|int|float|list<string>|null
     */
    private function value(CodebookItem $code, Lead $lead): string|int|float|array|null
    {
        try {
            return $code->code()->read($lead->value);
        } catch (InvalidAnswer) {
            return null;
        }
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function keep(Review $review, Publication $publication, array $rows, ?string $only): void
    {
        DB::transaction(function () use ($review, $publication, $rows, $only): void {
            // read twice at once, the later reading stays
            $publication->lock();
            self::dropWaiting($review, $publication, $only);
            // what was answered or ruled on while the paper was read needs no lead
            $open = $this->open($review, $publication, $only);
            foreach ($rows as $row) {
                if (isset($open[AnswerSlot::keyOf($row['code_id'], $row['part_id'])])) {
                    CodingLead::query()->create([...$row, 'ruling' => LeadRuling::Waiting]);
                }
            }
        });
    }

    private static function dropWaiting(Review $review, Publication $publication, ?string $only): void
    {
        CodingLead::query()
            ->where('review_id', $review->id)
            ->where('publication_id', $publication->id)
            ->where('ruling', LeadRuling::Waiting)
            ->when($only, fn ($waiting) => $waiting->where('code_id', $only))
            ->delete();
    }
}
