<?php

namespace Tests\Feature\Matching;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Deliveries\WithdrawDelivery;
use App\Actions\Matching\JoinPublications;
use App\Actions\Matching\StartJoining;
use App\Actions\Matching\StartMatching;
use App\Jobs\Matching\JoinCertain;
use App\Jobs\Matching\MatchRecords;
use App\Models\Item;
use App\Models\Join;
use App\Models\Matching;
use App\Models\Publication;
use App\Models\Record;
use App\Models\Ruling;
use App\Models\Task;
use App\Queries\Matching\CertainGroups;
use App\Queries\Matching\PairEvidence;
use App\Queries\Matching\PairingQueue;
use App\Queries\Report\FlowQuery;
use App\Queries\Shared\Tallies;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\Feature\World;
use WaryHeron\Core\Screening\ItemState;

/** Records that their source tells in its own way: certain, to be asked about, and to be kept apart. */
const TOLD = [
    [
        'TI' => 'Bright lamps and alertness of night nurses: a randomised trial',
        'AU' => 'Okafor, Ines',
        'VL' => '12',
        'SP' => '101',
        'EP' => '109',
    ],
    [
        'TI' => 'BRIGHT LAMPS AND ALERTNESS OF NIGHT NURSES',
        'AU' => 'Okafor, I.',
        'VL' => '12',
        'SP' => '101',
        'EP' => '',
        'AB' => '',
    ],
    [
        'TI' => 'Scheduled naps and errors of ward pharmacists',
        'AU' => 'Haas, M.',
        'VL' => '4',
        'SP' => '55',
        'DO' => '10.71111/naps',
    ],
    [
        'TI' => 'Scheduled naps and errors of ward pharmacists',
        'AU' => 'Haas, M.',
        'VL' => '4',
        'SP' => '55',
        'DO' => '10.71999/other',
    ],
    [
        'TI' => 'Night work register of Tarvik: annual report 2018',
        'AU' => 'Strand, B.',
        'PY' => '2018',
        'VL' => '8',
        'SP' => '1',
    ],
    [
        'TI' => 'Night work register of Tarvik: annual report 2019',
        'AU' => 'Strand, B.',
        'PY' => '2019',
        'VL' => '9',
        'SP' => '3',
    ],
];

function compared(World $world): Matching
{
    test()
        ->actingAs($world->people['specialist'])
        ->post("/reviews/{$world->review->id}/matching")
        ->assertSessionHasNoErrors();

    return $world->review->matchings()->where('state', 'done')->orderByDesc('id')->firstOrFail();
}

/** Everything that matching may change, as it stands. */
function standing(World $world): array
{
    return [
        Record::query()
            ->where('review_id', $world->review->id)
            ->orderBy('delivery_id')
            ->orderBy('position')
            ->get(['publication_id', 'reference'])
            ->groupBy('publication_id')
            ->map(fn ($of) => $of->pluck('reference.title')->sort()->values()->all())
            ->sort()
            ->values()
            ->all(),
        Publication::query()
            ->where('review_id', $world->review->id)
            ->whereNull('merged_into')
            ->orderBy('title')
            ->orderBy('doi')
            ->get(['title', 'records_count', 'doi', 'authors'])
            ->toArray(),
        (int) DB::table('tallies')->where('review_id', $world->review->id)->where('state', '<>', 'folded')->sum('n'),
    ];
}

it('finds, joins in one go, and takes apart again', function () {
    $world = new World();
    $world->deliver(TOLD);
    $before = standing($world);
    $review = "/reviews/{$world->review->id}";
    $matching = compared($world);
    expect(standing($world))->toBe($before)->and(count(CertainGroups::of($matching)))->toBe(1);
    $this->get("{$review}/matching")
        ->assertOk()
        ->assertSee('Join 1')
        ->assertSee('1</strong> <span>group needs', false);
    $this->get("{$review}/matching/certain?sample=1")
        ->assertOk()
        ->assertSee('BRIGHT LAMPS AND ALERTNESS');
    $this->post("{$review}/matching/join")->assertRedirect();
    $publication = $world->publication('Bright lamps and alertness of night nurses: a randomised trial');
    expect($publication->records_count)
        ->toBe(2)
        ->and($publication->abstract)
        ->toBe('A bright lamp.')
        ->and(FlowQuery::of($world->review)->duplicatesRemoved())
        ->toBe(1);
    $this->get("{$review}/matching/joined")->assertSee('1 by machine');
    $this->post("{$review}/matching/joins/".Join::query()->sole()->id.'/undo')->assertSessionHas('notice');
    expect(standing($world))->toBe($before);
    $this->post("{$review}/matching/joins/".Join::query()->sole()->id.'/undo');
    expect(standing($world))->toBe($before);
});

it('asks group by group, keeps what was ruled over every later comparison, and undoes it', function () {
    $world = new World();
    $world->deliver(TOLD);
    $review = "/reviews/{$world->review->id}";
    $matching = compared($world);
    $group = PairingQueue::of($matching, $world->people['specialist'])->groups[0]->publications;
    $this->get("{$review}/pairing")
        ->assertOk()
        ->assertSee('Their DOIs are different.')
        ->assertSeeText('% likely the same, by the weights')
        ->assertSeeInOrder(['included', 'excluded', 'in disagreement', 'not judged or not open yet'])
        ->assertSee('Scheduled naps');
    // while it is open with one, another is not shown it
    $this->actingAs($world->people['lead'])
        ->get("{$review}/pairing")
        ->assertSee('open with others')
        ->assertDontSee('Scheduled naps');
    $rule = fn (array $parts, bool $later = false) => $this->actingAs($world->people['specialist'])->postJson(
        "{$review}/pairing/rulings",
        ['parts' => $parts, 'later' => $later],
    );

    $rule(array_map(fn (string $id): array => [$id], $group), true)->assertOk()->assertJsonPath('left', 1);
    $stroke = $rule(array_map(fn (string $id): array => [$id], $group))
        ->assertOk()
        ->assertJsonPath('left', 0)
        ->json('stroke');
    foreach (['keen', 'cautious', 'balanced'] as $preset) {
        $this->put("{$review}/matching/settings", ['preset' => $preset]);
        expect(PairingQueue::of(compared($world), $world->people['specialist'])->groups)->toBe([]);
        $this->post("{$review}/matching/join");
    }
    expect($world->review->publications()->whereIn('id', $group)->count())->toBe(2);
    $this->postJson("{$review}/pairing/undo", ['stroke' => $stroke])->assertOk();
    $this->postJson("{$review}/pairing/undo", ['stroke' => $stroke])->assertStatus(409);

    $before = standing($world);
    $stroke = $rule([$group])
        ->assertOk()
        ->json('stroke');
    expect($world->review->publications()->whereIn('id', $group)->count())
        ->toBe(1)
        ->and(Ruling::query()->where('stroke', $stroke)->value('ruling'))
        ->toBe('same');
    $rule([$group])->assertStatus(409);
    $this->postJson("{$review}/pairing/undo", ['stroke' => $stroke])->assertOk();
    expect(standing($world))->toBe($before);
});

it('loses no decision when a duplicate is found late', function (string $onFirst, string $onSecond, ItemState $joined) {
    $world = (new World())->withCriteria();
    $world->deliver([TOLD[2], TOLD[3]]);
    [$first, $second] = [$world->item(0), $world->item(1)];
    foreach (
        [
            ['anna', $first, $onFirst],
            ['ben', $first, $onFirst],
            ['anna', $second, $onSecond],
            ['lead', $second, $onSecond],
        ] as [$who, $item, $verdict]
    ) {
        $world->decide($who, $item, $verdict, "{$who} said {$verdict}");
    }
    $states = fn (): array => Item::query()
        ->where('review_id', $world->review->id)
        ->orderBy('position')
        ->pluck('state')
        ->map->value->all();
    $before = $states();
    $group = PairingQueue::of(compared($world), $world->people['specialist'])->groups[0]->publications;
    $page = $this->get("/reviews/{$world->review->id}/pairing")->assertSee('People have decided on each of these.');
    $onFirst !== $onSecond && $page->assertSee('they become a disagreement');
    $stroke = $this->postJson("/reviews/{$world->review->id}/pairing/rulings", ['parts' => [$group]])->json('stroke');

    $kept = Item::query()->where('review_id', $world->review->id)->where('state', '<>', 'folded')->sole();
    expect($kept->state)
        ->toBe($joined)
        ->and(DB::table('decisions')->whereNull('superseded_at')->count())
        ->toBe(4);
    expect(Tallies::of($world->review)->all())
        ->toBe(1)
        ->and(FlowQuery::of($world->review)->contradictions())
        ->toBe([]);
    $sheet = $this->actingAs($world->people['lead'])->get(
        "/reviews/{$world->review->id}/publications/{$kept->publication_id}",
    );
    $sheet
        ->assertSee("anna said {$onFirst}")
        ->assertSee("ben said {$onFirst}")
        ->assertSee("lead said {$onSecond}");
    $this->get("/reviews/{$world->review->id}/records")->assertSee('<strong>1</strong> publication', false);

    $this->actingAs($world->people['specialist'])
        ->postJson("/reviews/{$world->review->id}/pairing/undo", ['stroke' => $stroke])
        ->assertOk();
    expect($states())->toBe($before);
})->with([
    'they agree' => ['include', 'include', ItemState::Included],
    'they differ' => ['include', 'exclude', ItemState::Disagreement],
]);

it('opens nothing early when blinded items are joined', function () {
    $world = (new World())->withCriteria();
    $world->deliver([TOLD[2], TOLD[3]]);
    $world->decide('anna', $world->item(0), 'include', 'seen by anna alone');
    $group = PairingQueue::of(compared($world), $world->people['specialist'])->groups[0]->publications;
    $this->postJson("/reviews/{$world->review->id}/pairing/rulings", ['parts' => [$group]])->assertOk();
    $item = Item::query()->where('state', '<>', 'folded')->sole();
    expect($item->state)->toBe(ItemState::Waiting);
    $this->actingAs($world->people['ben'])
        ->get("/reviews/{$world->review->id}/publications/{$item->publication_id}")
        ->assertDontSee('seen by anna alone');
});

it('tells bits as a chance, as the thresholds beside the histogram do', function () {
    $told = array_map(PairEvidence::percent(...), [-12, -7, -2, 0, 3, 6, 7, 10, 40]);
    expect($told)->toBe(['below 0.1 %', '0.8 %', '20 %', '50 %', '89 %', '98 %', '99.2 %', 'above 99.9 %', 'above 99.9 %']);
});

it('splits a group in parts', function () {
    $world = new World();
    $world->deliver([
        TOLD[0],
        TOLD[2],
        ['TI' => 'Lamps of Tarvik', 'SP' => '9'],
        ['TI' => 'Lamps of Maridale', 'SP' => '19'],
    ]);
    [$a, $b, $c, $d] = $world->review->publications()->orderBy('id')->pluck('id')->all();
    $this->actingAs($world->people['specialist'])
        ->postJson("/reviews/{$world->review->id}/pairing/rulings", ['parts' => [[$a, $b], [$c], [$d]]])
        ->assertOk();
    expect($world->review->publications()->count())
        ->toBe(3)
        ->and(Ruling::query()->where('ruling', 'different')->count())
        ->toBe(5)
        ->and(Ruling::query()->where('ruling', 'same')->count())
        ->toBe(1);
    $this->actingAs($world->people['anna'])
        ->postJson("/reviews/{$world->review->id}/pairing/rulings", ['parts' => [[$c, $d]]])
        ->assertForbidden();
    $this->actingAs($world->people['specialist'])
        ->postJson("/reviews/{$world->review->id}/pairing/rulings", ['parts' => [[$c, 'x']]])
        ->assertUnprocessable();
});

it('comes to the same end however often its workers are killed', function (int $seed) {
    $random = new \Random\Randomizer(new \Random\Engine\Mt19937($seed));
    $world = new World();
    Queue::fake();
    $delivery = $world->deliver(
        array_merge(
            ...array_map(
                fn (int $i): array => [
                    [
                        'TI' => "Lamp trial of ward {$i} with nurses and midwives",
                        'VL' => (string) (10 + $i),
                        'SP' => (string) (100 + $i),
                        'DO' => "10.71111/{$i}",
                    ],
                    [
                        'TI' => "LAMP TRIAL OF WARD {$i} WITH NURSES AND MIDWIVES",
                        'VL' => (string) (10 + $i),
                        'SP' => '',
                        'JF' => 'Nocturnal Med.',
                    ],
                ],
                range(1, 300),
            ),
        ),
    );
    $kill = 0;
    $dies = function () use (&$kill): void {
        if (--$kill === 0) {
            throw new \RuntimeException('killed');
        }
    };
    DB::listen($dies);
    $kills = 0;
    // what died twice at one place is ended, and a person goes on with it
    $run = function (\Closure $work, \Closure $state, \Closure $goOn) use (&$kill, &$kills, $random): void {
        for ($rounds = 0; $state() !== 'done'; $rounds++) {
            expect($rounds)->toBeLessThan(100);
            if ($state() === 'failed') {
                $goOn();
            }
            $kill = $kills < 20 ? $random->getInt(2, 60) : PHP_INT_MAX;
            try {
                $work();
            } catch (\Throwable) {
                $kills++;
                while (DB::transactionLevel() > 1) {
                    DB::rollBack();
                }
            }
            $kill = PHP_INT_MAX;
        }
        $kill = PHP_INT_MAX;
    };
    $run(
        fn () => app()->call([new \App\Jobs\Deliveries\DeliverFile($delivery->id), 'handle']),
        fn (): string => $delivery->refresh()->state,
        fn () => app(StartDelivery::class)->goOn($world->people['specialist'], $delivery),
    );
    $start = fn (): Matching => app(StartMatching::class)->execute($world->people['specialist'], $world->review);
    $matching = $start();
    $run(
        function () use (&$matching): void {
            app()->call([new MatchRecords($matching->id), 'handle']);
        },
        function () use (&$matching): string {
            return $matching->refresh()->state->value;
        },
        function () use (&$matching, $start): void {
            $matching = $start();
        },
    );
    $join = fn (): Task => app(StartJoining::class)->execute($world->people['specialist'], $world->review, $matching);
    $task = $join();
    $run(
        function () use (&$task, $matching, $world): void {
            app()->call([
                new JoinCertain($matching->id, $world->people['specialist']->id, $task->id, str_repeat('s', 26)),
                'handle',
            ]);
        },
        function () use (&$task): string {
            return $task->refresh()->state->value;
        },
        function () use (&$task, $join): void {
            $task = $join();
        },
    );
    expect($kills)
        ->toBeGreaterThanOrEqual(20)
        ->and(Record::query()->count())
        ->toBe(600)
        ->and(Record::query()->distinct()->count('position'))
        ->toBe(600);
    expect($world->review->publications()->count())
        ->toBe(300)
        ->and($world->review->publications()->where('records_count', 2)->count())
        ->toBe(300)
        ->and(Tallies::of($world->review)->all())
        ->toBe(300);
    expect(Join::query()->count())
        ->toBe(300)
        ->and(CertainGroups::of($matching))
        ->toBe([]);
})->with([1, 2]);

it('reads a table as somebody says, remembers that, and mends what was rejected', function () {
    $world = new World();
    $review = "/reviews/{$world->review->id}";
    $send = fn (string $text) => $this->actingAs($world->people['specialist'])->post("{$review}/deliveries", [
        'files' => [UploadedFile::fake()->createWithContent('ward.csv', $text)],
        'source_name' => 'Ward list',
        'platform' => 'a spreadsheet',
        'searched_on' => '2026-11-01',
    ]);
    $page = $send("Study title;Who;When;Remark\nLamps at night;Haas, M.;2020;good\n;;2021;none\n");
    $delivery = $world->review->deliveries()->sole();
    expect($delivery->state)
        ->toBe('mapping')
        ->and(Record::query()->count())
        ->toBe(0);
    $this->get($page->headers->get('Location'))->assertSee('What do the columns hold?')->assertSee('Study title');
    $this->post("{$review}/deliveries/{$delivery->id}/columns", ['delimiter' => 'comma'])->assertRedirect(
        $page->headers->get('Location'),
    );
    $this->get($page->headers->get('Location'))->assertSee('Study title;Who;When;Remark');
    $this->post("{$review}/deliveries/{$delivery->id}/columns", ['delimiter' => 'semicolon']);
    $this->get($page->headers->get('Location'))->assertDontSee('Study title;Who')->assertSee('Remark');
    $read = fn (array $columns) => $this->post("{$review}/deliveries/{$delivery->id}/read", [
        'delimiter' => 'semicolon',
        'columns' => $columns,
    ]);
    $read(['', 'authors', 'year', ''])->assertSessionHasErrors('columns');
    $read(['title', 'authors', 'year', ''])->assertSessionHasNoErrors();
    expect($delivery->refresh()->only('state', 'kept', 'rejected'))->toBe([
        'state' => 'done',
        'kept' => 1,
        'rejected' => 1,
    ]);
    expect(Record::query()->sole()->reference)->toMatchArray([
        'title' => 'Lamps at night',
        'year' => 2020,
        'extra' => [['Remark', 'good']],
    ]);

    $rejection = $delivery->rejections()->sole();
    $mend = fn (string $text) => $this->post("{$review}/deliveries/{$delivery->id}/rejections/{$rejection->id}", [
        'text' => $text,
    ]);
    $mend($rejection->text)->assertSessionHasErrors("mend.{$rejection->id}");
    $mend(str_replace("\n,,2021", "\nNaps at night,,2021", $rejection->text))->assertSessionHas('notice');
    expect($delivery->refresh()->only('kept', 'rejected', 'new'))
        ->toBe(['kept' => 2, 'rejected' => 0, 'new' => 2])
        ->and($rejection->refresh()->mended_at)
        ->not->toBeNull();

    $send("Study title;Who;When;Remark\nMore lamps;Haas, M.;2022;\n");
    expect($world->review->deliveries()->where('state', 'done')->count())
        ->toBe(2)
        ->and($world->publication('More lamps')->year)
        ->toBe(2022);
});

it('unpacks what is packed, and refuses a file that was made to burst', function () {
    $world = new World();
    $zip = new \ZipArchive();
    $path = tempnam(sys_get_temp_dir(), 'zip');
    $zip->open($path, \ZipArchive::OVERWRITE);
    $zip->addFromString('a.ris', World::ris([['TI' => 'One']]));
    $zip->addFromString('folder/b.nbib', "PMID- 1\nTI  - Two\n");
    $zip->close();
    $send = fn (string $bytes) => $this->actingAs($world->people['specialist'])->post(
        "/reviews/{$world->review->id}/deliveries",
        [
            'files' => [UploadedFile::fake()->createWithContent('x', $bytes)],
            'source_name' => 'Packed',
            'searched_on' => '2026-11-01',
        ],
    );
    $send((string) file_get_contents($path))->assertSessionHasNoErrors();
    expect($world->review->publications()->orderBy('title')->pluck('title')->all())
        ->toBe(['One', 'Two'])
        ->and($world->review->deliveries()->pluck('format')->sort()->values()->all())
        ->toBe(['nbib', 'ris']);
    $send((string) gzencode(World::ris([['TI' => 'Three']])))->assertSessionHas('problems', []);
    $send(substr((string) gzencode(str_repeat(World::ris([['TI' => 'Four']]), 50)), 0, -30))->assertSessionHas(
        'problems',
        fn (array $p): bool => str_contains($p[0]['text'], 'cut off'),
    );
    $send((string) gzencode(str_repeat("\n", 60_000_000), 9))->assertSessionHas(
        'problems',
        fn (array $p): bool => str_contains($p[0]['text'], 'unpacks to more'),
    );
    expect($world->review->deliveries()->count())->toBe(3);
});

it('withdraws a delivery, but nothing that people have decided on', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Here before']]);
    $delivery = $world->deliver(
        [['TI' => 'Here before', 'DO' => '10.71111/later'], ['TI' => 'Decided'], ['TI' => 'Undecided']],
        'Elsewhere',
    );
    $world->decide(
        'anna',
        Item::query()->where('publication_id', $world->publication('Decided')->id)->sole(),
        'include',
    );
    $this->actingAs($world->people['specialist'])
        ->get("/reviews/{$world->review->id}/deliveries/{$delivery->id}")
        ->assertSee('People have decided on 1 of its publications.');
    $done = app(WithdrawDelivery::class)->execute($world->people['specialist'], $delivery);
    expect([$done->gone, $done->kept])
        ->toBe([1, 1])
        ->and($world->review->publications()->orderBy('title')->pluck('title')->all())
        ->toBe(['Decided', 'Here before']);
    expect($world->publication('Here before')->only('doi', 'records_count'))
        ->toBe(['doi' => '', 'records_count' => 1])
        ->and(Record::query()->count())
        ->toBe(4)
        ->and(Record::query()->whereNotNull('withdrawn_at')->count())
        ->toBe(2);
    expect(FlowQuery::of($world->review)->contradictions())
        ->toBe([])
        ->and(Tallies::of($world->review)->all())
        ->toBe(2);
    $this->post("/reviews/{$world->review->id}/deliveries/{$delivery->id}/withdraw")->assertSessionHas('problem');
});

it('joins more than once and comes apart in any order', function () {
    $world = new World();
    $world->deliver([['TI' => 'A1'], ['TI' => 'B2'], ['TI' => 'C3'], ['TI' => 'D4']]);
    $ids = $world->review->publications()->orderBy('id')->pluck('id')->all();
    $before = standing($world);
    $join = app(JoinPublications::class);
    $join->execute($world->people['lead'], $world->review->id, [$ids[0], $ids[1]], 'one');
    $join->execute($world->people['lead'], $world->review->id, [$ids[2], $ids[3]], 'two');
    $kept = $world->review->publications()->orderBy('id')->pluck('id')->all();
    $join->execute($world->people['lead'], $world->review->id, $kept, 'three');
    expect($world->review->publications()->sole()->records_count)->toBe(4);
    foreach (Join::query()->orderByDesc('id')->get() as $one) {
        $join->undo($world->people['lead'], $one);
    }
    expect(standing($world))->toBe($before);
});
