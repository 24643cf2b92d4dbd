<?php

namespace Tests\Feature\Searches;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Searches\ChangeStrategy;
use App\Actions\Searches\RunStrategy;
use App\Models\Record;
use App\Models\Review;
use App\Models\Scheme;
use App\Models\Strategy;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\Feature\Standin;
use Tests\Feature\World;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** @param  list<string>  $texts lines of the strategy */
function strategyIn(World $world, array $texts, array $sources = ['alder']): Strategy
{
    $lines = array_map(
        fn (int $i, string $text): StrategyLine => new StrategyLine("l{$i}", $text),
        array_keys($texts),
        $texts,
    );

    return app(ChangeStrategy::class)->create(
        $world->people['specialist'],
        $world->review,
        'Lamps',
        $sources,
        [],
        new Lines($lines),
    );
}

function countAt(
    string $source,
    string $query,
    array $more = ['version' => '1.2', 'operation' => 'searchRetrieve'],
): int {
    return (int) (new \SimpleXMLElement(Standin::ask($source, [...$more, 'query' => $query, 'maximumRecords' => '0'])))
        ->numberOfRecords;
}

const BOARD = [
    'heading:"Night work"',
    'night* NEAR/2 shift*',
    'any(#1-#2)',
    'lux',
    'title:light*',
    '#4 OR #5',
    '#3 AND #6',
    '#7 AND year:2005-2020',
    '#8 NOT type:"conference abstract"',
];

it('builds a board from one box a concept, and changes it by name', function () {
    $world = new World();
    $review = "/reviews/{$world->review->id}";
    $this->actingAs($world->people['specialist'])
        ->post("{$review}/searches", [
            'name' => 'Lamps',
            'sources' => ['alder', 'fen'],
            'blocks' => [
                ['name' => 'Night', 'terms' => 'night shift OR "night duty"'],
                ['name' => 'Light', 'terms' => "lamp*\nlux; (bright OR blue) NEAR/2 light*"],
                ['name' => '', 'terms' => ''],
            ],
        ])
        ->assertRedirect();
    $strategy = $world->review->strategies()->sole();
    $texts = fn (): array => array_column(
        $strategy->refresh()->revisions()->where('number', $strategy->head)->sole()->content['lines'],
        'text',
    );
    expect($texts())->toBe([
        '"night shift"',
        '"night duty"',
        'any(#1-#2)',
        'lamp*',
        'lux',
        '(bright OR blue) NEAR/2 light*',
        'any(#4-#6)',
        '#3 AND #7',
    ]);
    $sheet = null;
    $change = function (string $what, array $with = [], int $status = 200) use ($review, $strategy, &$sheet) {
        $answer = $this->postJson("{$review}/searches/{$strategy->id}/changes", [
            'revision' => $strategy->refresh()->head,
            'change' => $what,
            'with' => $with,
        ])->assertStatus($status);
        $status === 200 && ($sheet = $answer->json());

        return $answer;
    };
    $change('add-limit', ['text' => 'age:adults']);
    expect($sheet['limits'][0]['lacking'])->toBe(['Fen']);
    $change('move-term', [
        'line' => $sheet['blocks'][1]['terms'][1]['id'],
        'block' => $sheet['blocks'][0]['id'],
        'to' => 1,
    ]);
    expect($texts())->toBe([
        'lux',
        '"night shift"',
        '"night duty"',
        'any(#1-#3)',
        'lamp*',
        '(bright OR blue) NEAR/2 light*',
        'any(#5-#6)',
        '#4 AND #7',
        '#8 AND age:adults',
    ]);
    $change('undo');
    $change('undo');
    expect($sheet['limits'])->toBe([])->and($sheet['canRedo'])->toBeTrue();
    $change('redo');
    expect($sheet['limits'])->toHaveCount(1);
    $change('add-terms', ['block' => $sheet['blocks'][0]['id'], 'texts' => ['"night duty"']], 422)->assertJsonPath(
        'message',
        'This concept has this term already.',
    );
    $change('add-terms', ['block' => 'gone', 'texts' => ['x']], 422);
    $change('remove-line', ['line' => $sheet['blocks'][0]['terms'][0]['id']], 422)->assertJsonPath(
        'message',
        'Line #1 is used by #3. Change that line first.',
    );
    $change('no-such-thing', [], 422);
});

it('lets two people work on one strategy without losing either’s change unseen', function () {
    $world = new World();
    $strategy = strategyIn($world, BOARD);
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}/changes";
    $this->actingAs($world->people['anna'])
        ->postJson($url, ['revision' => 1, 'change' => 'set-line', 'with' => ['line' => 'l3', 'text' => 'lamp*']])
        ->assertOk();
    $answer = $this->actingAs($world->people['ben'])
        ->postJson($url, ['revision' => 1, 'change' => 'set-line', 'with' => ['line' => 'l3', 'text' => 'visor*']])
        ->assertStatus(409);
    expect($answer->json('message'))
        ->toContain('Anna Kolbe has changed')
        ->toContain('your change was not made')
        ->and($answer->json('sheet.lines.3.text'))
        ->toBe('lamp*');
    $this->actingAs($world->people['observer'])
        ->postJson($url, ['revision' => 2, 'change' => 'undo'])
        ->assertForbidden();
    expect(fn () => DB::transaction(fn () => DB::table('strategy_revisions')->update(['change' => 'forged'])))->toThrow(
        \Illuminate\Database\QueryException::class,
    );
});

it('gives the numbers that the databases give', function () {
    Standin::answers();
    $world = new World();
    $strategy = strategyIn($world, [...BOARD, 'a ('], ['alder', 'tern', 'fen']);
    $this->artisan('heron:thesauri');
    $this->actingAs($world->people['observer']);
    // one answer counts for a while only: like the page, ask until nothing is missing
    for ($told = ['done' => false], $asked = 0; ! $told['done'] && $asked < 20; $asked++) {
        $told = $this->postJson("/reviews/{$world->review->id}/searches/{$strategy->id}/numbers")->assertOk()->json();
    }
    expect($told['done'])->toBeTrue();
    $answer = $told['numbers'];
    $night = 'alder.heading = "Night work"';
    $near = 'night* prox/unit=word/distance<=2 shift*';
    $light = 'lux or dc.title = light*';
    $of = fn (string $line, string $kind = 'own') => $answer['alder'][$line][$kind];
    expect([$of('l0'), $of('l1'), $of('l2'), $of('l3'), $of('l4'), $of('l5')])
        ->toBe([
            countAt('alder', $night),
            countAt('alder', $near),
            countAt('alder', "{$night} or ({$near})"),
            countAt('alder', 'lux'),
            countAt('alder', 'dc.title = light*'),
            countAt('alder', $light),
        ])
        ->and([$of('l0', 'only'), $of('l1', 'only'), $of('l3', 'only')])
        ->toBe([
            countAt('alder', "{$night} not ({$near})"),
            countAt('alder', "({$near}) not {$night}"),
            countAt('alder', 'lux not dc.title = light*'),
        ])
        ->and([$of('l6'), $of('l7'), $of('l8')])
        ->toBe([
            countAt('alder', "({$night} or ({$near})) and ({$light})"),
            countAt('alder', "({$night} or ({$near})) and ({$light}) and dc.date within \"2005 2020\""),
            countAt(
                'alder',
                "({$night} or ({$near})) and ({$light}) and dc.date within \"2005 2020\" not dc.type = \"conference abstract\"",
            ),
        ])
        ->and($of('l6'))
        ->toBeGreaterThan(5)
        ->and($answer['tern']['l0']['own'])
        ->toBeNull()
        ->and($answer['tern']['l3']['own'])
        ->toBe(countAt('tern', 'lux', ['version' => '2.0', 'queryType' => 'ccl']))
        ->and($answer['fen']['l7']['own'])
        ->toBe($answer['fen']['l6']['own'])
        ->and($answer['alder'])
        ->not->toHaveKey('l9');
    // counted once: as long as the holdings stay, nothing is asked again
    Standin::answers(fn ($request) => $request->method() === 'POST' ? Http::response('', 500) : null);
    $this->postJson("/reviews/{$world->review->id}/searches/{$strategy->id}/numbers")->assertJsonPath(
        'numbers.alder',
        $answer['alder'],
    );
});

it('translates a heading once a person has confirmed what it is there', function () {
    Standin::answers();
    $world = new World();
    $this->artisan('heron:thesauri');
    $strategy = strategyIn(
        $world,
        ['heading:"Shift work schedule"/narrower/less:"Extended duty hours"', 'lux', 'any(#1-#2)'],
        ['alder', 'tern', 'fen'],
    );
    $page = "/reviews/{$world->review->id}/searches/{$strategy->id}/translation";
    $this->actingAs($world->people['specialist'])
        ->get($page)
        ->assertOk()
        ->assertSee('not a heading of this thesaurus', false)
        ->assertSee('It is “Rota systems”')
        ->assertSee('<code data-copy="tern">lux</code>', false);
    $tern = Scheme::query()->where('source', 'tern')->sole();
    $rule = ['label' => 'Shift work schedule', 'scheme' => $tern->id, 'stands_for' => 'rota systems', 'confirmed' => 1];
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", [
        ...$rule,
        'stands_for' => 'No such heading',
    ])->assertStatus(422);
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", $rule)->assertSessionHas('notice');
    $html = $this->get($page)->getContent();
    expect($html)
        ->toContain('is “Rota systems” here, as confirmed')
        ->toContain('alder.heading = &quot;Shift work schedule&quot; or')
        ->not->toContain('&quot;Extended duty hours&quot; or')
        ->toContain('no headings here; searched as a phrase');
    // the branch that is left out can be mapped as well, and a ruling be taken back
    expect($html)->toContain('“Extended duty hours” here:')->toContain('value="open|Rota systems"');
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", [
        'label' => 'Shift work schedule',
        'scheme' => $tern->id,
        'ruling' => 'open|Rota systems',
    ])->assertSessionHas('notice');
    expect($this->get($page)->getContent())
        ->toContain('It is “Rota systems”')
        ->not->toContain('as confirmed');
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", [
        'label' => 'Shift work schedule',
        'scheme' => $tern->id,
        'ruling' => '0|Rota systems',
    ])->assertSessionHas('notice');
    expect($this->get($page)->getContent())
        ->toContain('not Rota systems')
        ->toContain('offer again')
        ->not->toContain('It is “Rota systems”');
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", $rule);
    // explosion that brings there what it does not here
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", [
        'label' => 'Lighting design',
        'scheme' => $tern->id,
        'stands_for' => 'Workplace light',
        'confirmed' => 1,
    ]);
    $lighting = strategyIn($world, ['heading:"Lighting design"/narrower'], ['tern']);
    $this->get("/reviews/{$world->review->id}/searches/{$lighting->id}/translation")->assertSee(
        'its narrower headings here bring Daylight at work, which it has not where it was chosen',
        false,
    );
    $this->post("/reviews/{$world->review->id}/searches/{$strategy->id}/marks", [
        'line' => 'l1',
        'database' => 'tern',
        'text' => 'lux',
        'on' => 1,
    ]);
    $this->get($page)->assertSee('Confirmed by Mirela Haas');
    $csv = $this->get("{$page}/csv")
        ->assertOk()
        ->getContent();
    expect($csv)
        ->toContain('Tern Abstracts: notes')
        ->toContain('"Mirela Haas, ')
        ->and($this->get("{$page}/txt")->getContent())
        ->toContain('S2  lux');
    expect(
        substr(
            $this->get("{$page}/docx")
                ->assertOk()
                ->getContent(),
            0,
            2,
        ),
    )->toBe('PK');
});

it('takes known items from a list of references and from the text of any file of them', function (string $pasted) {
    $world = new World();
    $strategy = strategyIn($world, ['lux']);
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}/known-items";
    $this->actingAs($world->people['specialist'])
        ->post($url, ['items' => $pasted])
        ->assertSessionHas('notice', '2 known items added.');
    expect($world->review->knownItems()->orderBy('title')->get(['title', 'year', 'doi'])->toArray())->toBe([
        ['title' => 'Dim lamps in wards at night', 'year' => 2004, 'doi' => '10.9999/lamps'],
        ['title' => 'Visors for nurses of the night', 'year' => 2005, 'doi' => ''],
    ]);
    // pasted once more, in whatever form, they are known
    $this->post($url, ['items' => 'Kolbe A, Haas M. Dim lamps in wards at night. J Sleep. 2004;3:12-9.'])
        ->assertSessionHas('problem');
})->with([
    'references' => "1. Kolbe A, Haas M. Dim lamps in\nwards at night. J Sleep. 2004;3:12-9. doi:10.9999/Lamps\n2. Ito, K. (2005). Visors for nurses of the night. J Sleep, 4, 1.",
    'BibTeX' => "@article{a, title={Dim lamps in wards at night}, year=2004, doi={10.9999/lamps}}\n@article{b, title={Visors for nurses of the night}, year=2005}",
    'NBIB' => "PMID- 1\nTI  - Dim lamps in wards at night\nDP  - 2004\nLID - 10.9999/lamps [doi]\n\nPMID- 2\nTI  - Visors for nurses of the night\nDP  - 2005 Mar\n",
]);

it('says which concept loses a known item, and what would have caught it', function () {
    Standin::answers();
    $world = new World();
    $lost = new \SimpleXMLElement(
        Standin::ask('alder', [
            'version' => '1.2',
            'operation' => 'searchRetrieve',
            'query' => 'dc.title = light* and alder.heading = "Night work" not lux',
            'maximumRecords' => '1',
        ]),
    );
    $title = (string) $lost->records->record->recordData->children('http://www.loc.gov/mods/v3')->mods->titleInfo
        ->title;
    $strategy = strategyIn($world, ['lux', 'any(#1)', 'heading:"Night work"', 'any(#3)', '#2 AND #4']);
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}/known-items";
    $this->actingAs($world->people['specialist'])
        ->post($url, ['items' => "{$title}\nhttps://doi.org/10.9999/not.anywhere\n\nx"])
        ->assertSessionHas('notice', '2 known items added.');
    $this->post($url, ['items' => $title])->assertSessionHas('problem');
    $html = html_entity_decode($this->get($url)->assertOk()->getContent());
    expect($html)->toContain('loses it')->toContain('not in it')->not->toMatch('/>\s*found\s*</');
    // what is offered for it comes by itself, and catches it
    preg_match('~data-url="([^"]+/offers/alder)"~', $html, $later);
    $part = html_entity_decode($this->getJson($later[1])->assertOk()->json('html'));
    expect($part)->toContain('and of no other concept')->toContain('it would bring');
    preg_match("/addTerm\\('l1', '([^']+)'\\)/", $part, $offered);
    app(ChangeStrategy::class)->execute($world->people['anna'], $strategy, 1, 'add-terms', [
        'block' => 'l1',
        'texts' => [json_decode("\"{$offered[1]}\"")],
    ]);
    expect(html_entity_decode($this->get($url)->getContent()))->toMatch('/>\s*found\s*</')->not->toContain('loses it');
    $item = $world->review->knownItems()->orderBy('title')->first();
    $this->actingAs($world->people['observer'])
        ->delete("{$url}/{$item->id}")
        ->assertForbidden();
    $this->actingAs($world->people['anna'])
        ->delete("{$url}/{$item->id}")
        ->assertRedirect();
    expect($world->review->knownItems()->count())->toBe(1);
});

it('learns the title of what was given by its DOI alone, from the database that has it', function () {
    Standin::answers();
    $world = new World();
    $answer = new \SimpleXMLElement(
        Standin::ask('alder', [
            'version' => '1.2',
            'operation' => 'searchRetrieve',
            'query' => 'dc.title = light*',
            'maximumRecords' => '20',
        ]),
    );
    foreach ($answer->records->record as $record) {
        $mods = $record->recordData->children('http://www.loc.gov/mods/v3')->mods;
        $doi = (string) ($mods->xpath('*[local-name()="identifier"][@type="doi"]')[0] ?? '');
        if ($doi !== '') {
            break;
        }
    }
    $strategy = strategyIn($world, ['light*']);
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}/known-items";
    $this->actingAs($world->people['specialist'])->post($url, ['items' => "{$doi}\n10.9999/not.anywhere"]);
    $html = html_entity_decode($this->get($url)->assertOk()->getContent());
    expect($html)
        ->toContain((string) $mods->titleInfo->title)
        ->and(substr_count($html, '10.9999/not.anywhere'))
        ->toBe(2); // in its row, and in the name of the button that takes it off
    expect($world->review->knownItems()->pluck('title')->all())->toContain((string) $mods->titleInfo->title);
});

it('checks a strategy as a careful colleague would', function () {
    Standin::answers();
    $world = new World();
    $this->artisan('heron:thesauri');
    $strategy = strategyIn($world, [
        'lihgt',
        'lux',
        'heading:"Light exposure"',
        'nurse',
        'light',
        'any(#1-#5)',
        'night AND shift OR rota',
        'heading:"Bright light"/major',
        'any(#8)',
        '#6 AND #9',
    ]);
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}";
    $html = html_entity_decode(
        $this->actingAs($world->people['specialist'])
            ->get("{$url}/check")
            ->assertOk()
            ->getContent(),
    );
    foreach (
        [
            '“lihgt” finds nothing anywhere. Is “light” meant?',
            '“Light exposure” has narrower headings',
            '“nurse” stands without the other number, “nurses”',
            'AND and OR side by side',
            'is used by no other line',
            '“Bright light” is narrowed to major topics',
        ] as $finding
    ) {
        expect($html)->toContain($finding);
    }
    // written in the index, and in no thesaurus
    $other = strategyIn($world, ['shift', 'randomisaton', 'any(#1-#2)']);
    $this->get("/reviews/{$world->review->id}/searches/{$other->id}/check")
        ->assertOk()
        ->assertSee('Is “randomisation” meant?', false);
    $this->post("{$url}/findings", ['finding' => 'zero/lihgt'])->assertSessionHasErrors('reason');
    $this->post("{$url}/findings", [
        'finding' => 'zero/lihgt',
        'reason' => 'A test of the spelling.',
    ])->assertRedirect();
    $this->get("{$url}/check")
        ->assertDontSee('finds nothing anywhere')
        ->assertSee('A test of the spelling.');
    $this->delete("{$url}/findings", ['finding' => 'zero/lihgt']);
    $this->get("{$url}/check")->assertSee('finds nothing anywhere');
});

it('runs a frozen version, fetches it in batches, and later only what is new', function () {
    Standin::answers();
    config(['heron.sources.tern.batch' => 40]);
    $world = new World();
    $review = "/reviews/{$world->review->id}";
    $strategy = strategyIn($world, ['(bright OR blue*) NEAR/2 light*', '#1 AND year:2010-'], ['tern', 'fen']);
    $this->actingAs($world->people['anna'])
        ->post("{$review}/searches/{$strategy->id}/runs", ['sources' => ['tern', 'fen'], 'fetch' => 'all'])
        ->assertRedirect();
    [$tern, $fen] = $strategy->runs()->orderBy('source', 'desc')->get()->all();
    expect(Record::query()->count())
        ->toBe(0)
        ->and($tern->lines[1]['sent'])
        ->toBe('S2 FIND S1 AND PY=2010-')
        ->and($tern->total)
        ->toBe($tern->lines[1]['count'])
        ->toBeGreaterThan(45)
        ->and($fen->lines[1]['notes'][0])
        ->toContain('no such limit');
    $this->post("{$review}/runs/{$tern->id}/fetch")->assertForbidden();
    $this->actingAs($world->people['specialist'])
        ->post("{$review}/runs/{$tern->id}/fetch")
        ->assertRedirect();
    $delivery = $world->review->deliveries()->sole();
    expect($delivery->state)
        ->toBe('done')
        ->and($delivery->kept)
        ->toBe($tern->total)
        ->and(Record::query()->count())
        ->toBe($tern->total);
    $this->post("{$review}/runs/{$tern->id}/fetch")->assertRedirect();
    expect($world->review->deliveries()->count())->toBe(1);
    // widened, and run again
    app(ChangeStrategy::class)->execute($world->people['anna'], $strategy, 1, 'set-line', [
        'line' => 'l1',
        'text' => '#1 AND year:2005-',
    ]);
    $again = app(RunStrategy::class)->execute($world->people['specialist'], $strategy->refresh(), 'tern');
    expect($again->version)->toBe(2)->and($again->total)->toBeGreaterThan($tern->total);
    app(StartDelivery::class)->ofRun($world->people['specialist'], $again, true);
    $second = $again->deliveries()->sole();
    expect([$second->state, $second->passed_over, $second->kept])
        ->toBe(['done', $tern->total, $again->total - $tern->total])
        ->and($second->position)
        ->toBe($again->total);
    $this->get("{$review}/searches/{$strategy->id}/versions")
        ->assertOk()
        ->assertSee('#1 AND year:2010-')
        ->assertSee('changed');
    $this->get("{$review}/searches/report")
        ->assertOk()
        ->assertSee('Tern Abstracts')
        ->assertSee('S2 FIND S1 AND PY=2005-')
        ->assertSee(number_format($tern->total).' more had been fetched before');
    $text = $this->get("{$review}/searches/report/txt")->getContent();
    expect($text)
        ->toContain('year:2010-')
        ->toContain(number_format($again->total).' found')
        ->and(substr($this->get("{$review}/searches/report/docx")->getContent(), 0, 2))
        ->toBe('PK');
    // taken along without a delivery
    $file = function (string $format, string $more = '') use ($review, $strategy): string {
        $path = $this->get(
            "{$review}/searches/{$strategy->id}/results/download?source=tern&line=2&from=3&to=47&format={$format}&fields=citation{$more}",
        )
            ->assertOk()
            ->baseResponse->getFile()
            ->getPathname();

        return (string) file_get_contents($path);
    };
    expect(substr_count($file('ris'), "\nER  -"))
        ->toBe(45)
        ->and($file('ris'))
        ->not->toContain('AB  - ')
        ->and(substr_count($file('nbib'), 'PMID- '))
        ->toBe(45)
        ->and(substr_count($file('bibtex'), "\n}\n"))
        ->toBe(45);
    expect(substr_count($file('ris', '&picked=2,5,44'), "\nER  -"))
        ->toBe(3)
        ->and($file('ris', '&picked=3,4'))
        ->toStartWith(substr($file('ris'), 0, 60));
    $this->get(
        "{$review}/searches/{$strategy->id}/results/download?source=tern&line=2&from=1&to=2&format=ris&fields=citation&picked=1;2",
    )->assertSessionHasErrors('picked');
    // a range ends where the list ends, however far it was asked for
    $total = $again->total;
    $all = fn (string $range): \Illuminate\Testing\TestResponse => $this->get(
        "{$review}/searches/{$strategy->id}/results/download?source=tern&line=2&{$range}&format=csv&fields=citation",
    );
    $rows = fn (\Illuminate\Testing\TestResponse $answer): int => substr_count(
        rtrim((string) file_get_contents($answer->assertOk()->baseResponse->getFile()->getPathname())),
        "\r\n",
    );
    expect($rows($all('from='.($total - 4).'&to='.($total + 1500))))
        ->toBe(5)
        ->and($rows($all('batch='.($total - 2))))
        ->toBe(3);
    $all('from='.($total + 1).'&to='.($total + 2000))
        ->assertRedirect()
        ->assertSessionHas(
            'problem',
            'The list ends with record '.
                number_format($total).
                ', so there is nothing from '.
                number_format($total + 1).
                ' on.',
        );
    $all('from=5&to=2')->assertSessionHasErrors('to');
    $path = tempnam(sys_get_temp_dir(), 'x');
    file_put_contents($path, $file('xlsx', '&strategy=1'));
    $reader = \OpenSpout\Reader\Common\Creator\ReaderEntityFactory::createXLSXReader();
    $reader->open($path);
    $sheets = [];
    foreach ($reader->getSheetIterator() as $sheet) {
        foreach ($sheet->getRowIterator() as $row) {
            $sheets[$sheet->getName()][] = $row->toArray();
        }
    }
    expect(array_map(count(...), $sheets))
        ->toBe(['Sheet1' => 46, 'Strategy' => 6])
        ->and($sheets['Strategy'][5][1])
        ->toContain('#1 AND year:2005-');
    file_put_contents($path, $file('csv', '&strategy=1'));
    $zip = new \ZipArchive();
    expect($zip->open($path))
        ->toBeTrue()
        ->and($zip->getFromName('strategy.txt'))
        ->toContain('(bright OR blue*) NEAR/2 light*')
        ->and(substr_count((string) $zip->getFromName('tern-3-47.csv'), "\r\n"))
        ->toBe(46);
    foreach (['oldest', 'relevance'] as $order) {
        $this->get("{$review}/searches/{$strategy->id}/results?source=tern&order={$order}")
            ->assertOk()
            ->assertSee('<mark>', false);
    }
    $this->get("{$review}/searches/{$strategy->id}/results?source=tern")
        ->assertOk()
        ->assertSee('<mark>', false)
        ->assertSee('Headings:');
    $this->get(
        "{$review}/searches/{$strategy->id}/results?source=tern&query=".
            rawurlencode('heading:"Night duty" AND heading:"Light interventions"'),
    )
        ->assertOk()
        ->assertSee('Records like one')
        ->assertSee('Light interventions');
    $this->get("{$review}/searches/{$strategy->id}/results?source=tern&query=".rawurlencode('#1 AND ('))
        ->assertOk()
        ->assertSee('Line #1, column');
});

it('stops clearly when the source fails, and goes on without a gap', function (\Closure $failure, string $says) {
    $asked = 0;
    $broken = true;
    Standin::answers(function ($request) use (&$asked, &$broken, $failure) {
        return $broken && $request->method() === 'POST' && (int) $request['maximumRecords'] > 0 && ++$asked > 1
            ? $failure()
            : null;
    });
    config(['heron.sources.alder.batch' => 20]);
    $world = new World();
    $run = app(RunStrategy::class)->execute(
        $world->people['specialist'],
        strategyIn($world, ['title:light*']),
        'alder',
    );
    $this->actingAs($world->people['specialist'])
        ->post("/reviews/{$world->review->id}/runs/{$run->id}/fetch")
        ->assertRedirect();
    $delivery = $world->review->deliveries()->sole();
    expect($delivery->state)->toBe('failed')->and($delivery->failure)->toContain($says)->and($delivery->kept)->toBe(20);
    $broken = false;
    $this->post("/reviews/{$world->review->id}/deliveries/{$delivery->id}/go-on")->assertRedirect();
    expect($delivery->refresh()->state)
        ->toBe('done')
        ->and($delivery->kept)
        ->toBe($delivery->expected)
        ->and(Record::query()->distinct()->count('position'))
        ->toBe($delivery->expected);
})->with([
    'down' => [fn () => Http::response('gone', 503), 'status 503'],
    'rubbish' => [fn () => Http::response('<html>'), 'no XML'],
    'cut off' => [
        fn () => Http::response('<?xml version="1.0"?><searchRetrieveResponse><numberOfRecords>99</numb'),
        'no XML',
    ],
    'entities' => [fn () => Http::response('<!DOCTYPE x [<!ENTITY a "b">]><x/>'), 'declares entities'],
    'fewer' => [
        fn () => Http::response('<r xmlns="http://www.loc.gov/zing/srw/"><numberOfRecords>3</numberOfRecords></r>'),
        'now counts 3',
    ],
]);

it('says when the source is away, and keeps what cannot be run', function () {
    Http::fake(fn () => throw new \Illuminate\Http\Client\ConnectionException('refused'));
    $world = new World();
    $strategy = strategyIn($world, ['lamp'], ['alder', 'fen']);
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}";
    $this->actingAs($world->people['specialist'])
        ->get("{$url}/results")
        ->assertOk()
        ->assertSee('does not answer');
    $this->postJson("{$url}/numbers")
        ->assertOk()
        ->assertJsonPath('failures.alder', 'Alder Index does not answer.');
    $this->post("{$url}/runs", ['sources' => ['alder']])->assertSessionHas('problems');
    foreach (['', '/lines', '/translation', '/known-items', '/check', '/versions', '/runs'] as $view) {
        $this->get("{$url}{$view}")->assertOk();
    }
    expect($strategy->runs()->count())
        ->toBe(0)
        ->and($strategy->versions()->count())
        ->toBe(0);
});

it('finds headings with their reasons, and warns of a word with two meanings', function () {
    Standin::answers();
    $world = new World();
    $this->artisan('heron:thesauri');
    $alder = Scheme::query()->where('source', 'alder')->sole();
    $find = fn (string $words) => $this->actingAs($world->people['observer'])
        ->getJson("/reviews/{$world->review->id}/thesauri/find?scheme={$alder->id}&words=".rawurlencode($words))
        ->assertOk();
    $shift = $find('phase shift')->json();
    expect($shift['caution'])
        ->not->toBe([])
        ->and(array_column($shift['caution'], 'label'))
        ->toContain('Phase shift, physics');
    $light = $find('light')->json('offers');
    expect($light[0]['label'])
        ->toBe('Light')
        ->and($light[0]['exploded'])
        ->toBe(countAt('alder', 'alder.heading =/alder.narrower "Light"'))
        ->and(implode(' ', array_column($light, 'reason')))
        ->toContain('in the title, ');
    $heading = $this->getJson(
        "/reviews/{$world->review->id}/thesauri/heading?scheme={$alder->id}&label=Shift+work+sleep+disorder",
    )
        ->assertOk()
        ->json();
    expect($heading['paths'])
        ->toBe([
            ['Disorders', 'Sleep disorders', 'Circadian sleep disorders', 'Shift work sleep disorder'],
            ['Disorders', 'Sleep disorders', 'Shift work sleep disorder'],
        ])
        ->and($heading['qualifiers'])
        ->toContain('prevention');
    $this->getJson(
        "/reviews/{$world->review->id}/thesauri/heading?scheme={$alder->id}&label=Nothing",
    )->assertNotFound();
});

it('takes a team’s own thesaurus whole or not at all, and shows it to no other review', function () {
    $world = new World();
    $url = "/reviews/{$world->review->id}/thesauri";
    $file = fn (string $text) => \Illuminate\Http\UploadedFile::fake()->createWithContent('own.ttl', $text);
    $prefix = "@prefix skos: <http://www.w3.org/2004/02/skos/core#> .\n";
    $this->actingAs($world->people['specialist'])
        ->post($url, [
            'title' => 'Ours',
            'file' => $file(
                "{$prefix}<urn:a> a skos:Concept ; skos:prefLabel \"A\" ; skos:broader <urn:b> . <urn:b> a skos:Concept ; skos:prefLabel \"B\" ; skos:broader <urn:a> .",
            ),
        ])
        ->assertSessionHas('notice');
    expect(\App\Models\Task::query()->sole()->state->value)
        ->toBe('failed')
        ->and(Scheme::query()->count())
        ->toBe(0)
        ->and(DB::table('scheme_concepts')->count())
        ->toBe(0);
    $this->post($url, [
        'title' => 'Ours',
        'file' => $file("{$prefix}<urn:a> a skos:Concept ; skos:prefLabel \"Lamps\" ; skos:altLabel \"Lights\" ."),
    ])->assertSessionHas('notice');
    $own = Scheme::query()->sole();
    $this->getJson("{$url}/find?scheme={$own->id}&words=lights")
        ->assertJsonPath('offers.0.reason', '“lights” is one of its other names, Lights')
        ->assertJsonPath('offers.0.own', null);
    $other = app(\App\Actions\Team\CreateReview::class)->execute($world->people['specialist'], 'Another', '');
    $this->getJson("/reviews/{$other->id}/thesauri/find?scheme={$own->id}&words=lights")->assertNotFound();
    $this->actingAs($world->people['observer'])->post($url, [])->assertForbidden();
});

it('lets a team add the dialect of another database, tried as it is written', function () {
    $world = new World();
    $strategy = strategyIn($world, ['lamp* AND year:2010']);
    $url = "/reviews/{$world->review->id}/dialects";
    $file = str_replace(
        ['"name": "ccl"', '"?"'],
        ['"name": "marsh"', '"+"'],
        \WaryHeron\Core\Search\Dialect\Dialects::fileOf('ccl'),
    );
    $this->actingAs($world->people['anna'])
        ->postJson("{$url}/try", ['file' => $file, 'strategy' => $strategy->id])
        ->assertJsonPath('lines.0.text', 'lamp+ AND PY=2010');
    $this->postJson("{$url}/try", ['file' => '{"name": "x"}', 'strategy' => $strategy->id])->assertJsonPath(
        'problems.0',
        'There is no “title”.',
    );
    $this->post($url, ['file' => \WaryHeron\Core\Search\Dialect\Dialects::fileOf('ccl')])->assertSessionHas('problem');
    $this->post($url, ['file' => $file])->assertSessionHas('notice');
    Standin::answers();
    $this->get("/reviews/{$world->review->id}/searches/{$strategy->id}/translation")->assertSee('lamp+ AND PY=2010');
});

it('brings a strategy in from text, or names the line that cannot be read', function () {
    $world = new World();
    $store = fn (string $text, string $dialect) => $this->actingAs($world->people['anna'])->post(
        "/reviews/{$world->review->id}/searches",
        ['name' => 'Brought', 'sources' => ['tern'], 'text' => $text, 'dialect' => $dialect],
    );
    $store("S1 FIND TI,AB=(night %2 shift?) // nights\nS2 FIND S1 AND PY=2010-", 'ccl')->assertSessionHasNoErrors();
    expect(array_column($world->review->strategies()->sole()->revisions()->sole()->content['lines'], 'text'))->toBe([
        'title,abstract:(night NEAR/2 shift*)',
        '#1 AND year:2010-',
    ]);
    $store("lamp\nS2 FIND ZZ=x", 'ccl')->assertSessionHasErrors([
        'text' => 'Line 2, column 6: “ZZ” is no field here; fields are TI, AB, KW, AU, SO, DO, AN. Nothing was taken.',
    ]);
    expect(Review::query()->sole()->strategies()->count())->toBe(1);
});

it('gets the copy of a DOI that the locker has, and says why where it has none', function () {
    Standin::answers();
    $world = new World();
    $dois = array_column(
        \WaryHeron\Standins\Store::connect()
            ->query("SELECT doi FROM alder.records WHERE doi <> '' LIMIT 60")
            ->fetchAll(),
        'doi',
    );
    $get = fn (string $doi) => $this->actingAs($world->people['observer'])->get(
        "/reviews/{$world->review->id}/full-text?doi=".rawurlencode($doi),
    );
    $copies = array_filter($dois, fn (string $doi): bool => $get($doi)->getStatusCode() === 200);
    expect(count($copies))->toBeGreaterThan(5)->toBeLessThan(50);
    $answer = $get(reset($copies))->assertOk()->assertHeader('Content-Type', 'application/pdf');
    expect($answer->headers->get('Content-Disposition'))
        ->toStartWith('attachment;')
        ->and($answer->getContent())
        ->toStartWith('%PDF-1.4')
        ->toContain('%%EOF');
    $get(current(array_diff($dois, $copies)))->assertSessionHas(
        'problem',
        'The full-text locker has no copy: This publisher gives no copy without a subscription.',
    );
    $get('10.9999/unknown')->assertSessionHas('problem');
    $get('javascript:alert(1)')->assertSessionHasErrors('doi');
    Standin::answers(fn () => Http::response('<html>', 200));
    $get(reset($copies))->assertSessionHas('problem', 'The full-text locker has no copy: what came is no PDF.');
});

it('says what the question leaves open, from its concepts, the thesauri and the counts', function () {
    Standin::answers();
    $world = new World();
    $this->artisan('heron:thesauri');
    $world->review->concepts()->delete();
    $world->review->update(['question' => 'Does light exposure help night work?']);
    $lines = new Lines([
        new StrategyLine('a', 'night* OR light*'),
        new StrategyLine('b', 'any(#1)', 'Everybody'),
        new StrategyLine('c', 'visor*'),
        new StrategyLine('d', 'any(#3)', 'Visors'),
        new StrategyLine('e', '', 'Sleep disorders'),
    ]);
    $strategy = app(ChangeStrategy::class)->create(
        $world->people['specialist'],
        $world->review,
        'Lamps',
        ['alder'],
        [],
        $lines,
    );
    $page = html_entity_decode(
        $this->actingAs($world->people['specialist'])
            ->get("/reviews/{$world->review->id}/searches/{$strategy->id}")
            ->assertOk()
            ->getContent(),
    );
    [$wide, $narrow] = [number_format(countAt('alder', 'night* or light*')), number_format(countAt('alder', 'visor*'))];
    expect($page)->toContain(
        'The question names no population (people), no intervention (what is done), no outcome (what is measured).',
    );
    expect(substr_count($page, '>Light exposure</button>'))
        ->toBe(1)
        ->and($page)
        ->toContain(
            "“Everybody” is hardly bounded: {$wide} records in Alder, where the narrowest concept finds {$narrow}.",
        )
        ->toContain('“Sleep disorders” has no term yet.')
        ->toContain('>Sleep disorders</button>')
        ->toContain('Comparison stands open.');
});

it(
    'looks for what a concept asks, not for the label it stands under, and sends a heading to its own concept',
    function () {
        Standin::answers();
        $world = new World();
        $this->artisan('heron:thesauri');
        $world->review->concepts()->delete();
        $world->review
            ->concepts()
            ->createMany([
                ['kind' => 'population', 'text' => 'nurses on nights'],
                ['kind' => 'intervention', 'text' => 'naps'],
                ['kind' => 'outcome', 'text' => 'tired people living at night'],
            ]);
        $lines = new Lines([
            new StrategyLine('a', '', 'Population'),
            new StrategyLine('b', '', 'Intervention: naps'),
            new StrategyLine('c', '', 'Outcome: people living at night'),
        ]);
        $strategy = app(ChangeStrategy::class)->create(
            $world->people['specialist'],
            $world->review,
            'Naps',
            ['alder'],
            [],
            $lines,
        );
        $page = html_entity_decode(
            $this->actingAs($world->people['specialist'])
                ->get("/reviews/{$world->review->id}/searches/{$strategy->id}")
                ->assertOk()
                ->getContent(),
        );
        $offered = fn (string $block): array => preg_match_all(
            '/find-heading\', JSON\.parse\(\'[^\']*"label":"([^"]+)","block":"'.$block.'"/',
            stripslashes(str_replace('\u0022', '"', $page)),
            $found,
        ) > 0
            ? $found[1]
            : [];
        expect($offered('a'))
            ->toBe(['Nursing staff', 'Night work'])
            ->and($offered('b'))
            ->toBe(['Napping at work'])
            ->and($offered('c'))
            ->not->toContain('Rural population')
            ->not->toContain('Population');
    },
);

it(
    'suggests while a term is being typed: what it finds, headings that go on from it, and their other names',
    function () {
        Standin::answers();
        $world = new World();
        $this->artisan('heron:thesauri');
        $suggest = fn (string $words): array => $this->getJson(
            "/reviews/{$world->review->id}/thesauri/suggest?words={$words}&sources[]=alder&sources[]=none",
        )
            ->assertOk()
            ->json();
        $this->actingAs($world->people['specialist']);
        $found = $suggest('napp');
        expect(array_column($found['offers'], 'label'))
            ->toContain('Napping at work')
            ->and($found['finds'])
            ->toBe([['source' => 'Alder', 'count' => countAt('alder', 'napp')]]);
        $offer = array_column($found['offers'], null, 'label')['Napping at work'];
        expect($offer['own'])
            ->toBe(countAt('alder', 'alder.heading = "Napping at work"'))
            ->and($offer['names'])
            ->toContain('on-shift naps');
        expect(array_column($suggest('night wo')['offers'], 'term')[0])
            ->toBe('heading:"Night work"/narrower')
            ->and($suggest('n'))
            ->toBe(['finds' => [], 'offers' => []]);
        expect($suggest('(night')['finds'])->toBe([]);
    },
);

it('bounds what a pattern from a person can do', function (string $pattern, bool $taken) {
    $world = new World();
    $file = json_decode(\WaryHeron\Core\Search\Dialect\Dialects::fileOf('ccl'), true);
    $file['plainWord'] = $pattern;
    $answer = $this->actingAs($world->people['specialist'])
        ->postJson("/reviews/{$world->review->id}/dialects/try", ['file' => json_encode($file)])
        ->assertOk();
    expect($answer->json('problems') === [])->toBe($taken);
})->with([
    ['/^(?:\w|\w\w)+$/u', false],
    ['/^(a+)+$/', false],
    ['/^(a|aa)*$/', false],
    ['/^\w+\w+\w+$/', false],
    ['/^.*.*x$/', false],
    ['/^(?=(a+))\1$/', false],
    ['/^[a-z]{1,900}[a-z]{1,900}$/', false],
    ['/a+/', false],
    ['/^'.str_repeat('a|', 20_000).'$/', false],
    ['/^\w+$/u', true],
    ['/^[a-z][a-z0-9.-]*$/iu', true],
    ['/^(?!(?:and|or|s\d+)$)[\p{L}\p{N}][\p{L}\p{N}.]*$/iu', true],
    ['/^[^\s()"]+$/u', true],
]);

it('takes hostile lines without harm', function (string $text, int $status) {
    Standin::answers();
    $world = new World();
    $strategy = strategyIn($world, ['lamp', '#1 AND night']);
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}";
    $this->actingAs($world->people['anna'])
        ->postJson("{$url}/changes", [
            'revision' => 1,
            'change' => 'set-line',
            'with' => ['line' => 'l0', 'text' => $text],
        ])
        ->assertStatus($status);
    $this->postJson("{$url}/numbers")->assertOk();
    foreach (['', '/lines', '/translation', '/check', '/known-items', '/results'] as $view) {
        $this->get("{$url}{$view}")
            ->assertOk()
            ->assertDontSee('<script>alert', false);
    }
})->with([
    'brackets' => [str_repeat('(', 99_000), 200],
    'far too long' => [str_repeat('a ', 60_000), 422],
    'many terms' => [implode(' OR ', array_map(fn (int $i): string => "word{$i}", range(1, 3000))), 200],
    'markup' => ['"<script>alert(1)</script>"', 200],
    'a star' => ['*', 200],
    'itself' => ['#1 OR lamp', 422],
    'unicode' => ["\u{202E}ﷺ \u{FFFF} OR “", 200],
    'near and near' => [implode(' NEAR/20 ', array_fill(0, 30, 'night*')), 200],
]);
