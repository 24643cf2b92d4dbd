<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Access\Role;
use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\SetCodingTerms;
use App\Actions\Question\ChangeCriteria;
use App\Actions\Question\ChangeQuestion;
use App\Actions\Question\Provenance;
use App\Actions\Question\QuestionWording;
use App\Actions\Screening\ChangeMarkLists;
use App\Actions\Team\CreateReview;
use App\Models\Membership;
use App\Models\Review;
use App\Models\Task;
use App\Models\User;
use Carbon\CarbonImmutable;
use WaryHeron\Core\Coding\Book\BookJson;

/** The demo's scenario, played through the application's own actions over four made-up weeks. */
final class DemoReview
{
    public const PASSWORD = 'night-shift-demo';

    private const PEOPLE = [
        'ines' => ['Ines Okafor', 'ines.okafor@heron.example', Role::Lead],
        'mirela' => ['Mirela Haas', 'mirela.haas@heron.example', Role::InformationSpecialist],
        'tunde' => ['Tunde Adeyinka', 'tunde.adeyinka@heron.example', Role::Reviewer],
        'karin' => ['Karin Sollander', 'karin.sollander@heron.example', Role::Reviewer],
        'ruth' => ['Ruth Lindqvist', 'ruth.lindqvist@heron.example', Role::Observer],
    ];

    private const CRITERIA = [
        ['Are the people hospital or other health-care staff who work at night?', 'Not night-working health staff'],
        ['Is bright or enriched light used during or right before the shift?', 'No light exposure at work'],
        ['Is there a comparison group or period?', 'No comparison'],
        ['Is alertness, sleepiness, performance or error measured?', 'No outcome of interest'],
        ['Is it primary research?', 'Not primary research'],
    ];

    private const MARKED = [
        [
            'A comparison',
            'for',
            2,
            [
                'randomis*',
                'randomly',
                'controlled',
                'crossover',
                'versus',
                '"compared with"',
                'sham',
                'placebo',
                '"usual practice"',
            ],
        ],
        [
            'Not primary research',
            'against',
            4,
            [
                'protocol',
                '"systematic review"',
                '"scoping review"',
                '"meta-analysis"',
                '"will randomise"',
                'editorial',
                '"this article"',
            ],
        ],
        [
            'Not people at work',
            'against',
            0,
            ['mice', 'rat', 'rats', 'hens', 'broiler*', 'seedling*', 'newborn*', 'infant*', 'schoolchildren'],
        ],
    ];

    /** @var array<string, User> */
    private array $people = [];

    private Review $review;

    public function __construct(
        private readonly ChangeCodebook $codebook,
        private readonly SetCodingTerms $terms,
        private readonly DemoSynthesis $synthesis,
        private readonly DemoScouting $scouting,
        private readonly ChangeCriteria $criteria,
        private readonly ChangeQuestion $question,
        private readonly CreateReview $create,
        private readonly ChangeMarkLists $marks,
        private readonly FollowUps $followUps,
        private readonly DemoTwoCoders $twoCoders,
        private readonly DemoReport $report,
        private readonly DemoSearches $searches,
        private readonly DemoScreening $screening,
        private readonly DemoFullTexts $fullTexts,
        private readonly DemoCoding $coding,
    ) {
    }

    public function make(): void
    {
        $start = CarbonImmutable::now()->startOfDay()->subDays(24);
        try {
            $this->at($start->setTime(9, 0));
            $this->people();
            $this->plan();
            foreach ([$this->searches, $this->screening, $this->fullTexts, $this->coding] as $part) {
                $part->in($this->review, $this->people);
            }
            $this->at($start->addDays(3)->setTime(10, 30));
            $this->searches->deliver($start);
            $this->at($start->addDays(5)->setTime(13, 0));
            $this->screening->calibrate($start->addDays(5));
            $this->screening->screen($start->addDays(6));
            $this->screening->check($start->addDays(19));
            $this->screening->settleSome($start->addDays(20));
            $this->fullTexts->readInFull($start->addDays(21));
            $this->at($start->addDays(21)->setTime(17, 0));
            $this->followUps->find($this->review, $this->people['mirela'], [
                $this->people['karin'],
                $this->people['tunde'],
            ]);
            $this->coding->code($start->addDays(22));
            $this->coding->shareCoding();
            $this->synthesis->make($this->review, $this->people, $start->addDays(22));
            $this->coding->readForAnswers();
            $this->scouting->make($this->review, $this->people['ines']);
            $this->report->make($this->review, $this->people['karin']);
            $this->at($start->addDays(23)->setTime(15, 0));
            $this->searches->deliverLate();
            $this->searches->match(joins: false);
            $this->at($start->addDays(23)->setTime(16, 0));
            $this->create->execute(
                $this->people['ines'],
                'Handover checklists at shift change',
                'Do structured checklists at shift change reduce what is forgotten?',
            );
            $this->at($start->addDays(2)->setTime(9, 0));
            $this->twoCoders->make($this->people);
            $this->at($start->addDays(23)->setTime(16, 0));
            Task::query()->update(['seen_at' => now()]);
        } finally {
            CarbonImmutable::setTestNow();
        }
    }

    private function at(CarbonImmutable $time): void
    {
        CarbonImmutable::setTestNow($time);
    }

    private function people(): void
    {
        foreach (self::PEOPLE as $key => [$name, $email]) {
            $this->people[$key] = User::query()->create([
                'name' => $name,
                'email' => $email,
                'password' => self::PASSWORD,
            ]);
        }
        $this->review = $this->create->execute($this->people['ines'], 'Bright light on night shifts', '');
        foreach (self::PEOPLE as $key => [, , $role]) {
            Membership::query()->firstOrCreate(
                ['review_id' => $this->review->id, 'user_id' => $this->people[$key]->id],
                ['role' => $role],
            );
        }
    }

    private function plan(): void
    {
        $ines = $this->people['ines'];
        $this->question->execute(
            $ines,
            $this->review,
            new QuestionWording(
                $this->review->title,
                'Does bright-light exposure during night shifts improve alertness and reduce errors among hospital staff?',
                [
                    'population' => 'Hospital and other health-care staff who work at night',
                    'intervention' => 'Bright or blue-enriched light during or right before the shift',
                    'comparison' => '',
                    'outcome' => 'Alertness, sleepiness, performance; errors and near misses',
                ],
                provenance: new Provenance(
                    'Okafor I, Haas M. Bright light on night shifts: a protocol. Annals of Nocturnal Medicine 2026;21:9–17',
                    'Shoreline Register of Reviews, SRR-2026-0417',
                ),
            ),
        );
        foreach (self::CRITERIA as [$question, $reason]) {
            $this->criteria->add($ines, $this->review, $question, $reason);
        }
        $criteria = $this->review->criteria()->get();
        foreach (self::MARKED as [$name, $stance, $criterion, $words]) {
            $this->marks->save($ines, $this->review, [
                'name' => $name,
                'stance' => $stance,
                'criterion_id' => $criteria[$criterion]->id,
                'words' => implode("\n", $words),
            ]);
        }
        $this->codebook->addAll(
            $ines,
            $this->review,
            BookJson::read((string) file_get_contents(database_path('demo/codebook.json'))),
        );
        $this->terms->depth($ines, $this->review, $this->review->codes()->firstOrFail(), [
            'parallel-group trial',
            'crossover trial',
            'cluster trial',
        ]);
    }
}
