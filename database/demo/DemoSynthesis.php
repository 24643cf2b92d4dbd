<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\Coding\MarkPassage;
use App\Actions\Synthesis\ChangeOutcomes;
use App\Actions\Synthesis\JudgeCertainty;
use App\Actions\Synthesis\KeepAnalysis;
use App\Actions\Synthesis\KeepTable;
use App\Actions\Synthesis\SaveResult;
use App\Models\Comparison;
use App\Models\FullText;
use App\Models\Item;
use App\Models\KeptAnalysis;
use App\Models\Publication;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Models\Theme;
use App\Models\User;
use App\Queries\FullTexts\WordsFound;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Str;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\ThemePath;
use WaryHeron\Core\FullText\Selector\Selector;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Synthesis\Certainty\Certainty;
use WaryHeron\Core\Synthesis\Certainty\CertaintyLevel;
use WaryHeron\Core\Synthesis\Choice\AnalysisTerms;
use WaryHeron\Core\Synthesis\Report\OutcomeKind;
use WaryHeron\Core\Synthesis\Report\ReportForm;
use WaryHeron\Core\Synthesis\Report\StudyDesign;
use WaryHeron\Core\Synthesis\Table\TableDefinition;

/** What the demo's people have taken from the papers for synthesis: results of two outcomes, and passages under themes. */
final class DemoSynthesis
{
    /** The paper of which one result was taken twice, once with the groups in the wrong order: for somebody to find. */
    private const TWICE = 3;

    /** Papers whose tables nobody has taken numbers from yet. */
    private const LEFT = 5;

    private const SCALE = 'nine-point sleepiness scale';

    /** Of 1,000 in dim light, about so many told of one in these papers. */
    private const MISSES_WITHOUT = 235;

    /** Sentences that stand in several of the invented papers, with the themes and memo that a reader gives them. */
    private const PASSAGES = [
        'Glare was named by one in eight.' => ['Acceptance › Glare', ''],
        'The staff spoke of the lamps kindly, which may itself have an effect.' => ['Acceptance', 'Could be the attention, not the light.'],
        'Costs were small against those of a single serious error.' => ['Costs', ''],
        'Adherence fell a little after the second week.' => ['Acceptance › Keeping it up', ''],
        'Nobody could be kept from knowing whether the lamps were on.' => ['Soundness › Nobody blinded', ''],
        'Errors were counted as they were reported, and not all are.' => ['Soundness › Errors under-reported', 'Matters for near misses.'],
        'It was largest when the need was greatest, late in the night.' => ['When it works', ''],
    ];

    private Review $review;

    /** @var array<string, User> */
    private array $people;

    public function __construct(
        private readonly ChangeOutcomes $outcomes,
        private readonly SaveResult $result,
        private readonly KeepAnalysis $analyses,
        private readonly KeepTable $tables,
        private readonly JudgeCertainty $certainty,
        private readonly MarkPassage $mark,
    ) {
    }

    /** @param  array<string, User>  $people */
    public function make(Review $review, array $people, CarbonImmutable $day): void
    {
        [$this->review, $this->people] = [$review, $people];
        $copies = $this->copiesOfIncluded();
        CarbonImmutable::setTestNow($day->setTime(8, 30));
        $comparison = $this->comparison();
        $misses = $this->outcomes->addOutcome(
            $people['ines'],
            $review,
            OutcomeKind::Events,
            'Near misses',
            [
                'better' => 'lower',
                'about' => 'People with at least one, as they told or as was written down.',
                'windows' => [
                    ['name' => 'first month', 'from' => 0, 'to' => 30],
                    ['name' => 'later', 'from' => 31, 'to' => null],
                ],
            ],
        );
        $sleepy = $this->outcomes->addOutcome($people['ines'], $review, OutcomeKind::Means, 'Sleepiness at 04:00', [
            'better' => 'lower',
            'unit' => 'points',
            'scales' => [['name' => self::SCALE, 'low' => 1.0, 'high' => 9.0, 'reversed' => false]],
        ]);
        foreach ($copies as $i => $copy) {
            CarbonImmutable::setTestNow($day->setTime(13, 0)->addMinutes($i * 17));
            if ($i < $copies->count() - self::LEFT) {
                $this->take($people[$i % 2 === 0 ? 'karin' : 'tunde'], $copy, $comparison, $misses, $sleepy);
            }
            if ($i === self::TWICE) {
                $this->takeAgain($people['tunde'], $copy, $comparison, $misses);
            }
            $this->markIn($people[$i % 3 === 0 ? 'tunde' : 'karin'], $copy);
        }
        CarbonImmutable::setTestNow($day->setTime(18, 0));
        $near = $this->analyse('Near misses in the night', $misses, $comparison, 'RR');
        $this->certainty->execute($people['ines'], $near, Certainty::fromArray([
            'start' => CertaintyLevel::High->value,
            'reasons' => ['bias' => ['steps' => 1, 'why' => 'Nobody could be blinded, and near misses are told by those who saw the lamps.']],
        ]), self::MISSES_WITHOUT);
        $this->keepTable($misses, $sleepy);
        $design = $review->codes()->where('label', 'Design')->value('id');
        $this->analyse('Sleepiness at 04:00, by design', $sleepy, $comparison, 'MD', is_string($design) ? $design : '');
    }

    private function comparison(): Comparison
    {
        $lamp = $this->outcomes->addArm($this->people['ines'], $this->review, 'bright light', 'intervention');
        $dim = $this->outcomes->addArm($this->people['ines'], $this->review, 'dim or no light', 'comparator');

        return $this->outcomes->compare($this->people['ines'], $this->review, $lamp, $dim);
    }

    /** @return Collection<int, FullText> one of each publication */
    private function copiesOfIncluded(): Collection
    {
        $included = Item::query()
            ->where('stage_id', $this->review->lastStage()->id)
            ->where('state', ItemState::Included)
            ->select('publication_id');

        return FullText::query()
            ->where('review_id', $this->review->id)
            ->where('state', 'read')
            ->whereIn('publication_id', $included)
            ->orderBy('id')
            ->get()
            ->toBase()
            ->unique('publication_id')
            ->values();
    }

    private function take(User $coder, FullText $copy, Comparison $comparison, ReviewOutcome $misses, ReviewOutcome $sleepy): void
    {
        $read = ReadNumbers::of($copy);
        if ($read === null) {
            return;
        }
        $publication = Publication::query()->findOrFail($copy->publication_id);
        foreach (
            [
                [$misses, ReportForm::Counts, ['n', 'e'], ''],
                [$sleepy, ReportForm::MeansWithSd, ['n', 'm', 'sd'], self::SCALE],
            ] as [$outcome, $form, $keys, $scale]
        ) {
            [$given, $evidence] = $read->some($keys);
            $this->result->execute(
                $coder,
                $publication,
                strtolower((string) Str::ulid()),
                [
                    'outcome_id' => $outcome->id,
                    'comparison_id' => $comparison->id,
                    'days' => 28,
                    'time_told' => 'in the last week',
                    'scale' => $scale,
                    'form' => $form,
                    'design' => StudyDesign::Parallel,
                    'given' => $given,
                ],
                $evidence,
            );
        }
    }

    private function takeAgain(User $coder, FullText $copy, Comparison $comparison, ReviewOutcome $misses): void
    {
        $read = ReadNumbers::of($copy);
        if ($read === null) {
            return;
        }
        [$given, $evidence] = $read->some(['n', 'e']);
        $this->result->execute(
            $coder,
            Publication::query()->findOrFail($copy->publication_id),
            strtolower((string) Str::ulid()),
            [
                'outcome_id' => $misses->id,
                'comparison_id' => $comparison->id,
                'days' => 28,
                'time_told' => 'in the last week',
                'form' => ReportForm::Counts,
                'design' => StudyDesign::Parallel,
                'given' => ['e1' => $given['e2'], 'n1' => $given['n2'], 'e2' => $given['e1'], 'n2' => $given['n1']],
                'note' => 'Is the first column of this table the light, or the second?',
            ],
            $evidence,
        );
    }

    private function markIn(User $reader, FullText $copy): void
    {
        $publication = Publication::query()->findOrFail($copy->publication_id);
        foreach (self::PASSAGES as $quote => [$themes, $memo]) {
            $found = WordsFound::in($copy->review_id, $copy->id, $quote)[0] ?? null;
            if ($found !== null) {
                $piece = new Evidence(new Selector($quote, '', '', $found->page, -1, -1, $found->boxes), $copy->id);
                $this->mark->mark($reader, $publication, $piece, ThemePath::all($themes), $memo);
            }
        }
    }

    /** What studies did and found, by their design, with what readers marked of acceptance. */
    private function keepTable(ReviewOutcome $misses, ReviewOutcome $sleepy): void
    {
        $items = $this->review->codes()->pluck('id', 'label');
        $theme = Theme::query()->where('review_id', $this->review->id)->where('name', 'Acceptance')->value('id');
        $this->tables->begin($this->people['karin'], $this->review, 'What was tried and found, by design', TableDefinition::fromArray([
            'columns' => [
                "item:{$items['People']}",
                "item:{$items['People analysed']}",
                "item:{$items['Light level']}",
                "outcome:{$misses->id}",
                "outcome:{$sleepy->id}",
                "theme:{$theme}",
            ],
            'groups' => $items['Design'],
            'sort' => 'year',
        ]));
    }

    private function analyse(string $title, ReviewOutcome $of, Comparison $comparison, string $measure, string $groups = ''): KeptAnalysis
    {
        $terms = AnalysisTerms::fromArray([
            'outcome' => $of->id,
            'comparison' => $comparison->id,
            'measure' => $measure,
            'groups' => $groups,
        ]);

        return $this->analyses->begin($this->people['ines'], $this->review, $title, $terms);
    }
}
