<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Access\Role;
use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\ChangeParts;
use App\Actions\Coding\SaveAnswer;
use App\Actions\Coding\SetCodingTerms;
use App\Actions\Coding\ShareCoding;
use App\Actions\Coding\StartLeads;
use App\Actions\Deliveries\StartDelivery;
use App\Actions\FullTexts\AskLocker;
use App\Actions\FullTexts\SetRetrieval;
use App\Actions\Matching\StartJoining;
use App\Actions\Matching\StartMatching;
use App\Actions\Question\ChangeCriteria;
use App\Actions\Question\ChangeQuestion;
use App\Actions\Question\Provenance;
use App\Actions\Question\QuestionWording;
use App\Actions\Screening\ChangeMarkLists;
use App\Actions\Screening\MakeShareOut;
use App\Actions\Screening\OrderReading;
use App\Actions\Screening\PostToTalk;
use App\Actions\Screening\RecordDecision;
use App\Actions\Screening\SettleItem;
use App\Actions\Searches\ChangeStrategy;
use App\Actions\Searches\KeepKnownItems;
use App\Actions\Searches\RuleOnHeading;
use App\Actions\Searches\RunStrategy;
use App\Actions\Team\CreateReview;
use App\Jobs\Coding\FindLeads;
use App\Jobs\Deliveries\DeliverFile;
use App\Jobs\Deliveries\DeliverySlice;
use App\Jobs\FullTexts\FetchFullTexts;
use App\Jobs\FullTexts\ReadFullText;
use App\Jobs\FullTexts\ReadPages;
use App\Jobs\Matching\JoinCertain;
use App\Jobs\Matching\MatchRecords;
use App\Jobs\Screening\RankItems;
use App\Jobs\Searches\FetchRecords;
use App\Models\Criterion;
use App\Models\FullText;
use App\Models\Item;
use App\Models\Membership;
use App\Models\Publication;
use App\Models\Review;
use App\Models\Scheme;
use App\Models\Strategy;
use App\Models\StudyPart;
use App\Models\Task;
use App\Models\User;
use App\Queries\Coding\AnswerSlot;
use App\Queries\Coding\CodedReports;
use App\Queries\Library\LibraryFilters;
use App\Queries\Shared\Asked;
use App\Sources\Sources;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use WaryHeron\Core\Bibliography\Format\Csv\CsvWriter;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Coding\Book\BookJson;
use WaryHeron\Core\Coding\GivenAnswer;
use WaryHeron\Core\FullText\RetrievalState;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Ranking\ReadingOrder;
use WaryHeron\Core\Screening\Verdict;

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

    private const STRATEGY = [
        'Population: health staff on night shifts' => [
            'heading:"Shift work schedule"/narrower/less:"Offshore rosters"',
            'heading:"Rota systems"/narrower',
            'title,abstract:(night* NEAR/3 (shift* OR work* OR staff OR nurs* OR dut*))',
            '"graveyard shift"',
            'rota*',
        ],
        'Intervention: bright or enriched light' => [
            'heading:"Light exposure"/narrower',
            'heading:"Light boxes"',
            'heading:"Light visors"',
            'title,abstract:((bright OR blue* OR dynamic) NEAR/3 light*)',
            'lux',
            '"light box*"',
            'visor*',
        ],
        'Outcome: alertness or errors' => [
            'heading:"Alert state"/narrower',
            'heading:"Clinical errors"/narrower',
            'alert*',
            'sleepi*',
            'vigilan*',
            'error*',
            '"near misses"',
            'reaction time*',
            'alertnes',
        ],
    ];

    /** Found by reading, before the search; two of them the strategy is still to catch. */
    private const KNOWN_ITEMS = 7;

    private const CALIBRATION = 20;

    private const FULL_TEXTS = 60;

    private const CHECKED = 60;

    private const MAPPED = 38;

    private const RUN_HERE = [
        DeliverFile::class,
        FetchRecords::class,
        MatchRecords::class,
        JoinCertain::class,
        RankItems::class,
        FetchFullTexts::class,
    ];

    /** @var array<string, User> */
    private array $people = [];

    private Review $review;

    public function __construct(
        private readonly RecordDecision $decide,
        private readonly SettleItem $settle,
        private readonly PostToTalk $talk,
        private readonly SaveAnswer $answer,
        private readonly ChangeParts $parts,
        private readonly StartLeads $leads,
        private readonly ChangeCodebook $codebook,
        private readonly SetCodingTerms $terms,
        private readonly DemoSynthesis $synthesis,
        private readonly DemoScouting $scouting,
        private readonly ShareCoding $shareOut,
        private readonly ChangeCriteria $criteria,
        private readonly ChangeQuestion $question,
        private readonly ChangeStrategy $strategies,
        private readonly RunStrategy $run,
        private readonly RuleOnHeading $rule,
        private readonly KeepKnownItems $known,
        private readonly StartDelivery $start,
        private readonly StartMatching $matchings,
        private readonly StartJoining $joining,
        private readonly CreateReview $create,
        private readonly MakeShareOut $share,
        private readonly OrderReading $order,
        private readonly ChangeMarkLists $marks,
        private readonly AskLocker $locker,
        private readonly SetRetrieval $retrieval,
        private readonly DemoCopies $copies,
        private readonly Sources $sources,
        private readonly FollowUps $followUps,
        private readonly DemoTwoCoders $twoCoders,
        private readonly DemoReport $report,
    ) {
    }

    public function make(): void
    {
        $start = CarbonImmutable::now()->startOfDay()->subDays(24);
        try {
            $this->at($start->setTime(9, 0));
            $this->people();
            $this->plan();
            $this->at($start->addDays(3)->setTime(10, 30));
            $this->deliver($start);
            $this->at($start->addDays(5)->setTime(13, 0));
            $this->calibrate($start->addDays(5));
            $this->screen($start->addDays(6));
            $this->check($start->addDays(19));
            $this->settleSome($start->addDays(20));
            $this->readInFull($start->addDays(21));
            $this->at($start->addDays(21)->setTime(17, 0));
            $this->followUps->find($this->review, $this->people['mirela'], [
                $this->people['karin'],
                $this->people['tunde'],
            ]);
            $this->code($start->addDays(22));
            $this->shareCoding();
            $this->synthesis->make($this->review, $this->people, $start->addDays(22));
            $this->readForAnswers();
            $this->scouting->make($this->review, $this->people['ines']);
            $this->report->make($this->review, $this->people['karin']);
            $this->at($start->addDays(23)->setTime(15, 0));
            $this->deliverLate();
            $this->match(joins: false);
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

    /** Papers that nobody has coded in full yet have been read; what was found waits. */
    private function readForAnswers(): void
    {
        $task = $this->leads->execute($this->people['ines'], $this->review);
        while ($task->refresh()->state->isUnderWay()) {
            app(Dispatcher::class)->dispatchNow(new FindLeads($task->id, CodedReports::ids($this->review)));
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

    private function deliver(CarbonImmutable $start): void
    {
        $mirela = $this->people['mirela'];
        app(Kernel::class)->call('heron:thesauri');
        $strategy = $this->strategies->create($mirela, $this->review, 'Light on night shifts', [
            'alder',
            'tern',
            'fen',
        ]);
        $blocks = array_map(
            fn (string $name, array $terms): array => ['name' => $name, 'terms' => $terms],
            array_keys(self::STRATEGY),
            self::STRATEGY,
        );
        $this->change($strategy, 'fill', ['blocks' => $blocks]);
        $this->change($strategy, 'add-limit', ['text' => 'year:2014-2025']);
        foreach (
            [
                'Light visors' => 'Light interventions',
                'Light exposure' => 'Light interventions',
                'Clinical errors' => 'Mistakes in work',
                'Alert state' => 'Wakefulness at work',
            ] as $label => $there
        ) {
            $scheme = Scheme::query()->where('source', 'tern')->firstOrFail();
            $this->rule->execute($mirela, $this->review, $label, $scheme, $there, true);
        }
        Queue::fake(self::RUN_HERE); // the slices are run here, one after the other
        foreach ($strategy->sources as $source) {
            DeliverySlice::runHere(
                $this->start->ofRun($mirela, $this->run->execute($mirela, $strategy->refresh(), $source)),
            );
        }
        $this->at($start->addDays(4)->setTime(11, 15));
        DeliverySlice::runHere(
            $this->start->ofFile(
                $mirela,
                $this->review,
                __DIR__.'/tern-abstracts.ris',
                'tern-abstracts.ris',
                'Tern Abstracts, an earlier export',
                $start->addDays(4),
                'From before the strategy was written; one record came without a title.',
            ),
        );
        $this->at($start->addDays(4)->setTime(14, 20));
        $this->match(joins: true);
        $this->at($start->addDays(5)->setTime(9, 40));
        $errors = $this->strategies->create($mirela, $this->review, 'Errors at night, to see what it would add', [
            'alder',
            'tern',
        ]);
        $this->change($errors, 'fill', [
            'blocks' => [
                ['name' => 'Errors', 'terms' => ['error*', '"near misses"', 'heading:"Clinical errors"/narrower']],
                ['name' => 'Night', 'terms' => ['night*', 'heading:"Night work"']],
            ],
        ]);
        $this->knowItems($mirela);
    }

    private function match(bool $joins): void
    {
        $matching = $this->matchings->execute($this->people['mirela'], $this->review);
        app(Dispatcher::class)->dispatchNow(new MatchRecords($matching->id));
        if ($joins) {
            $task = $this->joining->execute($this->people['mirela'], $this->review, $matching->refresh());
            app(Dispatcher::class)->dispatchNow(
                new JoinCertain(
                    $matching->id,
                    $this->people['mirela']->id,
                    $task->id,
                    strtolower((string) Str::ulid()),
                ),
            );
        }
    }

    /** A colleague's own collection, which tells in its own way what is here already, and brings a few that are not. */
    private function deliverLate(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'heron');
        file_put_contents($path, implode('', [...(new CsvWriter())->write(LateCollection::of($this->review))]));
        DeliverySlice::runHere(
            $this->start->ofFile(
                $this->people['mirela'],
                $this->review,
                $path,
                'night-light-collection.csv',
                'Ward library collection',
                CarbonImmutable::now()->startOfDay(),
                'Kept by hand over the years by a colleague of the night ward.',
                reading: [],
            ),
        );
        unlink($path);
    }

    /** @param  array<string, mixed>  $with */
    private function change(Strategy $strategy, string $change, array $with): void
    {
        $this->strategies->execute($this->people['mirela'], $strategy, $strategy->refresh()->head, $change, $with);
    }

    /** Some that the strategy finds, and two that speak of light and nights in words that it does not have. */
    private function knowItems(User $by): void
    {
        $found = Publication::query()
            ->where('review_id', $this->review->id)
            ->where('doi', '<>', '')
            ->where('title', 'ilike', '%light%')
            ->where('title', 'ilike', '%night%')
            ->orderBy('doi')
            ->limit(self::KNOWN_ITEMS - 2)
            ->get();
        $lost = array_filter(
            [
                ...$this->sources
                    ->get('alder')
                    ->page(
                        'dc.title = light* and (dc.title = midwives or dc.title = nurses) not (dc.title = night* or dc.description = lux)',
                        1,
                        40,
                    )->records,
            ],
            fn (object $one): bool => $one instanceof Reference &&
                $one->doi !== '' &&
                ! Publication::query()->where('review_id', $this->review->id)->where('doi', $one->doi)->exists(),
        );
        $this->known->add(
            $by,
            $this->review,
            implode("\n", [
                ...$found->map(fn (Publication $one): string => "{$one->title} {$one->doi}")->all(),
                ...array_map(
                    fn (Reference $one): string => "{$one->title} {$one->doi}",
                    array_slice(array_values($lost), 0, 2),
                ),
            ]),
        );
    }

    /** Before the main round three people judge the same few, and see where they read the criteria differently. */
    private function calibrate(CarbonImmutable $on): void
    {
        $people = array_fill_keys(
            array_map(fn (string $who): string => $this->people[$who]->id, ['ines', 'karin', 'tunde']),
            null,
        );
        $terms = [
            'pool' => 'free',
            'sample' => self::CALIBRATION,
            'percent' => null,
            'decisions' => 2,
            'quotas' => $people,
            'mode' => 'everyone',
            'seed' => 2026,
        ];
        $made = $this->share->execute(
            $this->people['ines'],
            $this->review->firstStage(),
            LibraryFilters::from(new Asked(), $this->review, $this->people['ines']),
            $terms,
            'Calibration set',
            self::CALIBRATION,
        );
        $criteria = Criterion::query()->where('review_id', $this->review->id)->orderBy('position')->get();
        foreach (['ines', 'karin', 'tunde'] as $who) {
            foreach (
                Item::query()->where('stage_id', $made->stage_id)->with('publication')->orderBy('position')->get() as $i => $item
            ) {
                $this->at($on->setTime(14, 0)->addMinutes($i * 2));
                [$verdict, $failed, $note] = Judgement::of($item->publication, $who);
                $this->decide->execute(
                    $this->people[$who],
                    $item,
                    $verdict,
                    $failed === null ? null : $criteria[$failed],
                    $note,
                    answers: Judgement::answers($criteria, $verdict, $failed),
                );
            }
        }
        $this->review->unsetRelation('stages');
    }

    /** Two reviewers read in order; Karin is further than Tunde, and each judges a little differently. */
    private function screen(CarbonImmutable $from): void
    {
        $criteria = Criterion::query()->where('review_id', $this->review->id)->orderBy('position')->get();
        $items = Item::query()
            ->where('stage_id', $this->review->firstStage()->id)
            ->with('publication')
            ->orderBy('position')
            ->get()
            ->each(fn (Item $item) => $item->setRelation('review', $this->review));
        $shares = ['karin' => (int) ($items->count() * 0.62), 'tunde' => (int) ($items->count() * 0.5)];
        foreach ($shares as $who => $share) {
            foreach ($items->take($share)->values() as $i => $item) {
                $this->at(
                    $from
                        ->addDays(intdiv($i * 13, max(1, $share)))
                        ->setTime(9, 0)
                        ->addSeconds(($i % 60) * 95),
                );
                [$verdict, $failed, $note] = Judgement::of($item->publication, $who);
                $this->decide->execute(
                    $this->people[$who],
                    $item,
                    $verdict,
                    $failed === null ? null : $criteria[$failed],
                    $note,
                    answers: $who === 'karin' ? Judgement::answers($criteria, $verdict, $failed) : [],
                );
            }
        }
    }

    /** What is left is read the likeliest first, and a sample of it tells how much has been found. */
    private function check(CarbonImmutable $on): void
    {
        $criteria = Criterion::query()->where('review_id', $this->review->id)->orderBy('position')->get();
        $stage = $this->review->firstStage();
        $this->at($on->setTime(17, 30));
        $check = $this->order->drawCheck($this->people['ines'], $stage, self::CHECKED, 1902);
        foreach (
            Item::query()->whereIn('id', $check->items)->with('publication')->orderBy('position')->get() as $i => $item
        ) {
            [$verdict, $failed, $note] = Judgement::of($item->publication, 'karin');
            // where one would be unsure, the two talked first
            [$verdict, $failed] = $verdict === Verdict::Unsure ? [Verdict::Include, null] : [$verdict, $failed];
            foreach (['karin', 'tunde'] as $who) {
                $this->at($on->setTime(18, 0)->addMinutes($i));
                if ($item->refresh()->state === ItemState::Waiting) {
                    $this->decide->execute(
                        $this->people[$who],
                        $item,
                        $verdict,
                        $failed === null ? null : $criteria[$failed],
                        $note,
                    );
                }
            }
        }
        $this->at($on->setTime(20, 0));
        $this->order->execute($this->people['ines'], $stage, ReadingOrder::Likely, 10);
        app(Dispatcher::class)->dispatchNow(
            new RankItems($stage->id, $this->review->tasks()->where('kind', 'ranking')->latest('id')->value('id')),
        );
        $this->review->unsetRelation('stages');
    }

    private function settleSome(CarbonImmutable $from): void
    {
        $criteria = Criterion::query()->where('review_id', $this->review->id)->orderBy('position')->get();
        $open = Item::query()
            ->where('stage_id', $this->review->firstStage()->id)
            ->where('state', ItemState::Disagreement)
            ->orderBy('position')
            ->get();
        $says = [
            ['karin', 'The abstract does not say when the lamps were on. I would rather read it.'],
            ['tunde', 'Agreed that it is unclear, but the comparison is missing as well.'],
            ['ines', 'Please look at the methods again: the wards are compared with themselves.'],
        ];
        foreach ($open->take(6) as $i => $item) {
            $this->at($from->setTime(14, 0)->addMinutes($i * 7));
            foreach (array_slice($says, 0, 1 + ($i % 3)) as [$who, $words]) {
                $this->talk->execute($this->people[$who], $item, $words);
            }
        }
        foreach ($open->slice(6, 5) as $i => $item) {
            $this->at(
                $from
                    ->addDay()
                    ->setTime(10, 0)
                    ->addMinutes($i * 5),
            );
            $i % 2 === 0
                ? $this->settle->alone($this->people['ines'], $item, Verdict::Include, null, 'To be read in full.')
                : array_map(
                    fn (string $who): bool => $this->settle->propose(
                        $this->people[$who],
                        $item,
                        Verdict::Exclude,
                        $criteria[2],
                        '',
                    ),
                    ['karin', 'tunde'],
                );
        }
        $next = $open->slice(11, 1)->first();
        if ($next !== null) {
            $this->settle->propose(
                $this->people['karin'],
                $next,
                Verdict::Include,
                null,
                'The sample fits; the rest is for the full text.',
            );
        }
    }

    /**
     * The locker is asked for some forty texts and has a copy of fewer than half; those are read, and the others
     * chased.
     */
    private function readInFull(CarbonImmutable $from): void
    {
        $this->review->unsetRelation('stages');
        $full = $this->review->lastStage();
        $this->at($from->setTime(9, 10));
        $included = Publication::query()
            ->where('review_id', $this->review->id)
            ->where('doi', '<>', '')
            ->where('abstract', '<>', '')
            ->whereHas('items', fn ($item) => $item->where('stage_id', $full->id)->where('state', ItemState::Awaited))
            ->orderBy('id')
            ->get();
        [$telling, $others] = $included->partition(
            fn (Publication $one): bool => count(ReadOff::of($one)) === ReadOff::ITEMS,
        );
        $wanted = array_values($telling->concat($others)->take(self::FULL_TEXTS)->pluck('id')->all());
        $task = $this->locker->execute($this->people['mirela'], $this->review, $wanted);
        while ($task->refresh()->state->isUnderWay()) {
            app(Dispatcher::class)->dispatchNow(new FetchFullTexts($task->id, $wanted));
        }
        $refused = array_values(
            DB::table('retrievals')
                ->where('review_id', $this->review->id)
                ->where('state', RetrievalState::Sought)
                ->orderBy('id')
                ->pluck('publication_id')
                ->all(),
        );
        $this->at($from->setTime(11, 30));
        foreach (
            [
                [array_slice($refused, 0, 3), RetrievalState::Requested, 'from the author'],
                [array_slice($refused, 3, 2), RetrievalState::Requested, 'through the library'],
                [array_slice($refused, 5, 2), RetrievalState::NotRetrievable, 'no copy in any library'],
                [array_slice($refused, 7, 1), RetrievalState::NotRetrievable, 'author did not answer'],
                [array_slice($refused, 10, 20), RetrievalState::Obtained, 'a printed copy'],
            ] as [$some, $state, $reason]
        ) {
            $this->retrieval->execute($this->people['mirela'], $this->review, $some, $state, $reason, now());
        }
        $this->copies->make($this->people['mirela'], $this->review);
        $this->readCopies();
        $criteria = Criterion::query()->where('review_id', $this->review->id)->orderBy('position')->get();
        $here = Item::query()
            ->where('stage_id', $full->id)
            ->where('state', ItemState::Waiting)
            ->orderBy('position')
            ->get();
        foreach ($here as $i => $item) {
            $left = $here->count() - $i;
            foreach (['karin', 'tunde'] as $who) {
                // the last few wait: one for both, one for Tunde
                if ($left === 1 || ($left === 2 && $who === 'tunde')) {
                    continue;
                }
                $this->at($from->setTime(13, 0)->addMinutes($i * 9 + ($who === 'tunde' ? 4 : 0)));
                [$verdict, $failed, $note] = match (true) {
                    $left === 3 && $who === 'karin', $left === 4 => [
                        Verdict::Exclude,
                        2,
                        'The wards are compared with themselves only in the abstract.',
                    ],
                    default => [Verdict::Include, null, ''],
                };
                $this->decide->execute(
                    $this->people[$who],
                    $item,
                    $verdict,
                    $failed === null ? null : $criteria[$failed],
                    $note,
                );
            }
        }
        $this->review->unsetRelation('stages');
    }

    /** What came is read here and now: leads are sought in it before anything works in the background. */
    private function readCopies(): void
    {
        $waiting = FullText::query()->where('review_id', $this->review->id)->where('state', 'reading')->orderBy('id');
        foreach ($waiting->pluck('id') as $copy) {
            app(Dispatcher::class)->dispatchNow(new ReadFullText($copy));
            app(Dispatcher::class)->dispatchNow(new ReadPages($copy));
        }
    }

    /** Two coders have shares of what is to be coded. */
    private function shareCoding(): void
    {
        $weights = [$this->people['karin']->id => 1.0, $this->people['tunde']->id => 1.0];
        $studies = count(CodedReports::ids($this->review));
        $this->shareOut->give($this->people['ines'], $this->review, $weights, 4711, $studies);
    }

    /** Most of what is included is mapped as far as abstracts go, those first that tell everything; nine are coded in depth. */
    private function code(CarbonImmutable $from): void
    {
        $included = Publication::query()
            ->where('review_id', $this->review->id)
            ->where('abstract', '<>', '')
            ->whereIn('id', CodedReports::ids($this->review))
            ->orderBy('id')
            ->get();
        [$telling, $others] = $included->partition(
            fn (Publication $one): bool => count(ReadOff::of($one)) === ReadOff::ITEMS,
        );
        foreach ($telling->concat($others)->take(self::MAPPED)->values() as $i => $publication) {
            $this->at($from->setTime(9, 0)->addMinutes($i * 12));
            $coder = $this->people[$i % 2 === 0 ? 'karin' : 'tunde'];
            $this->answerAll($coder, $publication, ReadOff::of($publication));
            if ($i < 9) {
                $this->answerAll($coder, $publication, ReadOff::inDepth($publication));
                $this->nameArms($coder, $publication, isAnswered: $i < 3);
            }
        }
    }

    /** The two arms of a trial, as its tables call them; of some, how many were in each. */
    private function nameArms(User $coder, Publication $publication, bool $isAnswered): void
    {
        $copy = FullText::query()->where('review_id', $this->review->id)->where('publication_id', $publication->id)->first();
        $read = $copy === null ? null : ReadNumbers::of($copy);
        if ($read === null) {
            return;
        }
        $code = $this->review->codes()->where('label', 'People in the arm')->sole();
        [$given, $evidence] = $read->some(['n']);
        foreach (['Bright light', 'Dim light'] as $i => $name) {
            $part = $this->parts->name($coder, $publication, StudyPart::ARM, $name);
            $key = 'n'.($i + 1);
            if ($isAnswered) {
                $answer = new GivenAnswer($given[$key], evidence: $evidence[$key]);
                $this->answer->execute($coder, new AnswerSlot($publication, $code, $part), $answer);
            }
        }
    }

    /** @param  array<string, GivenAnswer>  $answers */
    private function answerAll(User $coder, Publication $publication, array $answers): void
    {
        $codes = $this->review->codes()->get()->keyBy('label');
        foreach ($answers as $label => $given) {
            $this->answer->execute($coder, new AnswerSlot($publication, $codes->firstOrFail('label', $label)), $given);
        }
    }
}
