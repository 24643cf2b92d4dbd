<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Access\Role;
use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\SaveAnswer;
use App\Actions\Coding\SetCodingTerms;
use App\Actions\Synthesis\ChangeOutcomes;
use App\Actions\Synthesis\SaveResult;
use App\Actions\Team\CreateReview;
use App\Models\Comparison;
use App\Models\Membership;
use App\Models\Publication;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Models\User;
use App\Queries\Coding\AnswerSlot;
use Illuminate\Support\Str;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\GivenAnswer;
use WaryHeron\Core\Synthesis\Report\OutcomeKind;
use WaryHeron\Core\Synthesis\Report\ReportForm;
use WaryHeron\Core\Synthesis\Report\StudyDesign;

/** A small review of naps that two people code apart: part-way, with differences in answers and in numbers. */
final readonly class DemoTwoCoders
{
    /** Who, when, of whom how many, minutes of the nap, errors and people with and without a nap. */
    private const STUDIES = [
        ['Verlund, Kari', 2015, 'nurses', 48, 20, [6, 24, 11, 24]],
        ['Osei, Abena', 2017, 'paramedics', 60, 30, [9, 30, 14, 30]],
        ['Halvorsen, Jorun', 2018, 'junior doctors', 36, 40, [4, 18, 5, 18]],
        ['Brandt, Liesel', 2020, 'nurses', 92, 20, [12, 46, 20, 46]],
        ['Tamaki, Rui', 2021, 'midwives', 30, 15, [3, 15, 6, 15]],
        ['Ferro, Bianca', 2023, 'nurses', 110, 30, [15, 55, 22, 55]],
    ];

    public function __construct(
        private CreateReview $create,
        private Included $included,
        private ChangeCodebook $codebook,
        private SetCodingTerms $terms,
        private SaveAnswer $answer,
        private ChangeOutcomes $outcomes,
        private SaveResult $result,
    ) {
    }

    /** @param  array<string, User>  $people */
    public function make(array $people): void
    {
        $lead = $people['ines'];
        $review = $this->create->execute($lead, 'Short naps on night shifts', 'Do short naps during night shifts reduce errors?');
        foreach (['karin', 'tunde', 'mirela'] as $who) {
            Membership::query()->firstOrCreate(
                ['review_id' => $review->id, 'user_id' => $people[$who]->id],
                ['role' => $who === 'mirela' ? Role::InformationSpecialist : Role::Reviewer],
            );
        }
        $studies = $this->included->bring(
            $review,
            $people['mirela'],
            [$people['karin'], $people['tunde']],
            array_map(self::reference(...), array_keys(self::STUDIES), self::STUDIES),
            ['naps.ris', 'Reference lists of three reviews', 'Trials of naps, found by hand.'],
        );
        $this->codebook->addAll($lead, $review, self::items());
        $this->terms->by($lead, $review, 2);
        $review->refresh();
        $compared = $this->comparison($lead, $review);
        $errors = $this->outcomes->addOutcome($lead, $review, OutcomeKind::Events, 'People with an error', ['better' => 'lower']);
        foreach ($studies->values() as $i => $study) {
            // Tunde has two studies to go
            foreach ($i < 4 ? ['karin', 'tunde'] : ['karin'] as $who) {
                $this->code($people[$who], $review, $study, $who === 'tunde' ? $i : null);
                $this->take($people[$who], $study, $compared, $errors, $who === 'tunde' ? $i : null);
            }
        }
    }

    /** @param  array{string, int, string, int, int, list<int>}  $study */
    private static function reference(int $i, array $study): Reference
    {
        [$author, $year, $people, $count, $minutes, [$e1, $n1, $e2, $n2]] = $study;
        [$family, $given] = explode(', ', $author);

        return new Reference(
            PublicationType::Article,
            "A nap of {$minutes} minutes and errors of {$people} at night",
            [new Name($family, $given)],
            $year,
            (string) $year,
            'Night Work and Rest',
            volume: (string) ($i + 4),
            firstPage: (string) (11 + 9 * $i),
            abstract: "{$count} {$people} were randomised to a nap of {$minutes} minutes at 03:00 or to usual breaks. ".
                "Errors were made by {$e1} of {$n1} with a nap and by {$e2} of {$n2} without.",
            id: 'N-'.($i + 1),
        );
    }

    /** @return list<Entry> */
    private static function items(): array
    {
        return [
            new Entry('people', 'People randomised', new Code(CodeType::Number), 'All arms together.'),
            new Entry('minutes', 'Length of the nap', new Code(CodeType::Number, unit: 'minutes')),
            new Entry('blind', 'Errors were counted by people who did not know', new Code(CodeType::YesNo)),
        ];
    }

    private function comparison(User $lead, Review $review): Comparison
    {
        return $this->outcomes->compare(
            $lead,
            $review,
            $this->outcomes->addArm($lead, $review, 'nap', 'intervention'),
            $this->outcomes->addArm($lead, $review, 'usual breaks', 'comparator'),
        );
    }

    /** @param  ?int  $slips  which study it is for the one who reads some things otherwise */
    private function code(User $coder, Review $review, Publication $study, ?int $slips): void
    {
        [$words, $people, $minutes] = self::told('/^(\d+) .+? were randomised to a nap of (\d+) minutes/', $study);
        $quote = Evidence::quoted($words);
        $given = [
            'People randomised' => new GivenAnswer($slips === 2 ? (string) ((int) $people / 2) : $people, evidence: [$quote]),
            'Length of the nap' => new GivenAnswer($minutes, evidence: [$quote]),
            'Errors were counted by people who did not know' => new GivenAnswer($slips === 1 ? 'No' : 'Unclear', fromWhole: true),
        ];
        $codes = $review->codes()->get();
        foreach ($given as $label => $answer) {
            $this->answer->execute($coder, new AnswerSlot($study, $codes->firstOrFail('label', $label)), $answer);
        }
    }

    private function take(User $coder, Publication $study, Comparison $compared, ReviewOutcome $errors, ?int $slips): void
    {
        [$words, $e1, $n1, $e2, $n2] = self::told('/by (\d+) of (\d+) with a nap and by (\d+) of (\d+) without/', $study);
        // two figures changed places
        $counts = [$e1, $n1, $slips === 3 ? strrev($e2) : $e2, $n2];
        $keys = ['e1', 'n1', 'e2', 'n2'];
        $this->result->execute(
            $coder,
            $study,
            strtolower((string) Str::ulid()),
            [
                'outcome_id' => $errors->id,
                'comparison_id' => $compared->id,
                'days' => $slips === 0 ? 1 : 7,
                'time_told' => 'over a week of nights',
                'form' => ReportForm::Counts,
                'design' => StudyDesign::Parallel,
                'given' => array_combine($keys, $counts),
            ],
            array_fill_keys($keys, [Evidence::quoted($words)]),
        );
    }

    /** @return non-empty-list<string> the words that a pattern finds in the abstract, and its parts */
    private static function told(string $pattern, Publication $study): array
    {
        return preg_match($pattern, $study->abstract, $told) === 1
            ? array_values(array_pad($told, 5, ''))
            : throw new \LogicException("The abstract of “{$study->title}” tells it otherwise.");
    }
}
