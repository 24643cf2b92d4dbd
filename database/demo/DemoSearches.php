<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Matching\StartJoining;
use App\Actions\Matching\StartMatching;
use App\Actions\Searches\ChangeStrategy;
use App\Actions\Searches\KeepKnownItems;
use App\Actions\Searches\RuleOnHeading;
use App\Actions\Searches\RunStrategy;
use App\Jobs\Deliveries\DeliverFile;
use App\Jobs\Deliveries\DeliverySlice;
use App\Jobs\FullTexts\FetchFullTexts;
use App\Jobs\Matching\JoinCertain;
use App\Jobs\Matching\MatchRecords;
use App\Jobs\Screening\RankItems;
use App\Jobs\Searches\FetchRecords;
use App\Models\Publication;
use App\Models\Scheme;
use App\Models\Strategy;
use App\Models\User;
use App\Sources\Sources;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Str;
use WaryHeron\Core\Bibliography\Format\Csv\CsvWriter;
use WaryHeron\Core\Bibliography\Reference;

/** What was searched and delivered: a strategy run at three sources, an earlier export, and what came late. */
final class DemoSearches extends DemoPart
{
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

    private const RUN_HERE = [
        DeliverFile::class,
        FetchRecords::class,
        MatchRecords::class,
        JoinCertain::class,
        RankItems::class,
        FetchFullTexts::class,
    ];

    public function __construct(
        private readonly ChangeStrategy $strategies,
        private readonly RunStrategy $run,
        private readonly RuleOnHeading $rule,
        private readonly KeepKnownItems $known,
        private readonly StartDelivery $start,
        private readonly StartMatching $matchings,
        private readonly StartJoining $joining,
        private readonly Sources $sources,
    ) {
    }

    public function deliver(CarbonImmutable $start): void
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

    public function match(bool $joins): void
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
    public function deliverLate(): void
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
}
