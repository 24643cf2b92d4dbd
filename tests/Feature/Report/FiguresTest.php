<?php

namespace Tests\Feature\Report;

use App\Actions\Deliveries\WithdrawDelivery;
use App\Actions\Library\RemovePublications;
use App\Actions\Matching\JoinPublications;
use App\Queries\Report\FlowQuery;
use App\Queries\Searches\SearchReport;
use App\View\Report\LiveBlocks;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\World;
use WaryHeron\Core\Flow\Definitions;
use WaryHeron\Core\Flow\FlowNumber;

/** The words of a page, as a person reads them. */
function wordsOf(string $html): string
{
    return (string) preg_replace(
        '/\s+/',
        ' ',
        html_entity_decode(strip_tags((string) preg_replace('~</(td|th|li|p|dt|dd|option|strong)>~', ' $0', $html))),
    );
}

/**
 * A review with everything that changes a count: duplicates as they came and afterwards, other methods, a withdrawal, a
 * removal.
 */
function busyReview(): World
{
    $world = World::readingInFull()->withCriteria();
    $world->deliver([['TI' => 'Lamps', 'DO' => '10.71111/1'], ['TI' => 'Naps'], ['TI' => 'Noise'], ['TI' => 'Rotas']]);
    $world->deliver([['TI' => 'Lamps', 'DO' => '10.71111/1'], ['TI' => 'Nights', 'SP' => '77']], 'Alder Index');
    $world->deliver(
        [['TI' => 'Naps, a letter', 'SP' => '9'], ['TI' => 'Lamps', 'DO' => '10.71111/1']],
        'Reference lists',
    );
    $world->review
        ->deliveries()
        ->where('source_name', 'Reference lists')
        ->update(['source_kind' => 'citation']);
    $gone = $world->deliver(
        [
            ['TI' => 'Mistake one', 'SP' => '301'],
            ['TI' => 'Mistake two', 'SP' => '302'],
            ['TI' => 'Noise', 'SP' => '1'],
        ],
        'Wrong export',
    );
    app(WithdrawDelivery::class)->execute($world->people['specialist'], $gone);
    app(JoinPublications::class)->execute(
        $world->people['specialist'],
        $world->review->id,
        [$world->publication('Rotas')->id, $world->publication('Nights')->id],
        strtolower((string) Str::ulid()),
    );
    app(RemovePublications::class)->execute(
        $world->people['lead'],
        $world->review,
        DB::table('publications')->where('id', $world->publication('Noise')->id),
        'Wrong topic',
    );
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, $world->item(0), 'include');
        $world->decide($who, $world->item(1), 'exclude');
    }

    return $world;
}

it('shows one figure wherever it is shown, after a withdrawal too', function () {
    $world = busyReview();
    $review = "/reviews/{$world->review->id}";
    $page = fn (string $path): string => wordsOf(
        $this->actingAs($world->people['lead'])
            ->get($review.$path)
            ->assertOk()
            ->getContent(),
    );
    $flow = FlowQuery::of($world->review->fresh());
    $facts = $flow->facts;
    expect($flow->contradictions())
        ->toBe([])
        ->and([$facts->recordsDelivered, $flow->duplicatesRemoved(), $facts->joinedByPeople, $facts->removed])
        ->toBe([8, 3, 1, 1]);
    $report = $page('/searches/report');
    expect($report)
        ->toContain("{$facts->recordsDelivered} records are here")
        ->toContain(
            "{$flow->duplicatesRemoved()} of them are duplicates: {$flow->duplicatesByMachine()} found by machine",
        )
        ->toContain("{$facts->joinedByPeople} by people")
        ->toContain(
            "leaves {$facts->publications} publications, of which {$facts->removed} were removed for other reasons and {$flow->toScreen()} go on to screening",
        )
        ->toContain('Withdrawn again, and in none of these numbers: Wrong export');
    $shown = $page('/report');
    expect($shown)
        ->toContain("{$facts->recordsDelivered} records delivered")
        ->toContain("{$flow->duplicatesRemoved()} duplicate records removed")
        ->toContain("{$flow->duplicatesByMachine()} by machine")
        ->toContain("{$facts->joinedByPeople} by people")
        ->toContain("{$flow->toScreen()} publications for screening")
        ->not->toContain('Wrong export')
        ->not->toContain('do not add up');
    expect($page('/matching/joined'))
        ->toContain("{$flow->duplicatesByMachine()} by machine, {$facts->joinedByPeople} by people")
        ->toContain('records were joined as they came in');
    expect($page('/records'))
        ->toContain("{$flow->toScreen()} publications")
        ->toContain("{$flow->duplicatesRemoved()} duplicates");
    expect($page('/records?removed=1'))->toContain("{$facts->removed} removed from the review");
    expect($page('/records?state=excluded'))->toContain("{$facts->excluded} excluded");
    $text = $this->get("{$review}/searches/report/txt")
        ->assertOk()
        ->getContent();
    expect($text)->toContain(
        "{$facts->recordsDelivered} records; {$flow->duplicatesRemoved()} duplicates, {$flow->duplicatesByMachine()} found by machine and {$facts->joinedByPeople} by people; {$facts->publications} publications",
    );
});

it('tells every number of the diagram in the live block, of both arms where they have boxes of one name', function () {
    $world = busyReview();
    $numbers = FlowQuery::diagram($world->review->fresh())->numbers();
    $facts = LiveBlocks::of($world->review->fresh(), 'flow', '')->facts;
    $shown = array_map(fn (FlowNumber $one): string => number_format($one->line->n), $numbers);
    expect(array_values($facts))->toBe($shown)->and(count(array_unique($shown)))->toBeGreaterThan(3);
});

it('adds the arms of the diagram up to the whole', function () {
    $world = busyReview();
    $flow = FlowQuery::of($world->review->fresh());
    $diagram = FlowQuery::diagram($world->review->fresh());
    $sum = fn (string ...$keys): int => array_sum(
        array_map(
            fn (FlowNumber $one): int => in_array($one->line->key, $keys, true) ? $one->line->n : 0,
            $diagram->numbers(),
        ),
    );
    expect($diagram->contradictions())->toBe([])->and(count($diagram->arms))->toBe(2);
    expect($sum('identified', 'other-identified'))
        ->toBe($flow->facts->recordsDelivered)
        ->and($sum('duplicates-machine', 'duplicates-people', 'other-duplicates'))
        ->toBe($flow->duplicatesRemoved());
    expect($sum('screened', 'other-screened', 'pending', 'other-pending'))
        ->toBe($flow->toScreen())
        ->and($sum('excluded', 'other-excluded'))
        ->toBe($flow->facts->excluded)
        ->and($sum('sought', 'other-sought'))
        ->toBe($flow->facts->fullTexts->sought);
    $csv = $this->actingAs($world->people['observer'])
        ->get("/reviews/{$world->review->id}/report/flow.csv")
        ->assertOk()
        ->getContent();
    expect($csv)
        ->toContain('Citation searching: Reference lists')
        ->toContain('Databases: Tern Abstracts')
        ->not->toContain('Wrong export');
    $svg = $this->get("/reviews/{$world->review->id}/report/flow.svg")
        ->assertOk()
        ->getContent();
    expect($svg)->toContain('<a href="http://heron.test/reviews/'.$world->review->id.'/records?state=excluded');
});

it('words the diagram as people wish, and never types its numbers', function () {
    $world = busyReview();
    $path = "/reviews/{$world->review->id}/report/flow";
    $at = array_search('screened', array_column(FlowQuery::captionKeys($world->review->fresh()), 'key', null), true);
    $at = array_keys(FlowQuery::captionKeys($world->review->fresh()))[$at];
    $this->actingAs($world->people['anna'])
        ->put($path, ['captions' => [$at => 'Read']])
        ->assertForbidden();
    $this->actingAs($world->people['lead'])
        ->put($path, [
            'captions' => [$at => 'Titles and abstracts read'],
            'previous_studies' => '12',
            'previous_reports' => '9',
        ])
        ->assertSessionHasErrors('previous_reports');
    $this->put($path, [
        'captions' => [$at => 'Titles and abstracts read'],
        'previous_studies' => '12',
        'previous_reports' => '15',
    ])->assertSessionHasNoErrors();
    $svg = $this->get("{$path}.svg")->getContent();
    expect($svg)
        ->toContain('Titles and abstracts read')
        ->toContain('Previous studies')
        ->not->toContain('Records screened (n = 2)');
    $this->put($path, ['captions' => [$at => 'Records screened']])->assertSessionHasNoErrors();
    expect($world->review->fresh()->flow_captions)
        ->toBe([])
        ->and($world->review->fresh()->previous_studies)
        ->toBeNull();
});

it('answers all sixteen items of the reporting standard, with what only people can say', function () {
    $world = busyReview();
    $path = "/reviews/{$world->review->id}/searches/report";
    $page = $this->actingAs($world->people['observer'])
        ->get($path)
        ->assertOk()
        ->assertSee('Nothing is said yet')
        ->getContent();
    foreach (range(1, 16) as $item) {
        expect(preg_match('/\(items? [^)]*\b'.$item.'\b[^)]*\)|\(items 1 to 3|\(items 15 and 16/', $page))->toBe(
            1,
            "item {$item}",
        );
    }
    $this->put($path, ['browsing' => 'x'])->assertForbidden();
    $this->actingAs($world->people['specialist'])
        ->put($path, [
            'citations' => "References of all included reports.\n<b>By hand</b>",
            'peer_review' => 'Olu Amadi, 3 Nov 2026, by the published checklist',
        ])
        ->assertSessionHasNoErrors();
    $this->get($path)
        ->assertSee('References of all included reports.')
        ->assertDontSee('<b>By hand', false)
        ->assertSee('Olu Amadi, 3 Nov 2026');
    expect($this->get("{$path}/txt")->getContent())
        ->toContain('CITATION SEARCHING (item 5)')
        ->toContain('by the published checklist');
    $this->put($path, ['citations' => '']);
    expect($world->review->fresh()->search_notes)
        ->toBe(['peer_review' => 'Olu Amadi, 3 Nov 2026, by the published checklist'])
        ->and(SearchReport::of($world->review->fresh())->unsaid())
        ->toContain('Citation searching');
});

it('says of every number of the flow diagram what it counts, in the picture too', function () {
    $world = busyReview();
    foreach (FlowQuery::diagram($world->review->fresh())->numbers() as $one) {
        expect(Definitions::of($one->line->key))->not->toBe('', $one->line->key);
    }
    $svg = $this->actingAs($world->people['observer'])->get("/reviews/{$world->review->id}/report/flow.svg")->getContent();
    expect($svg)->toContain('<title>'.Definitions::of('screened').'</title>');
});
