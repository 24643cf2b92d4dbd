<?php

namespace Tests\Feature\Searches;

use App\Models\Review;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\Feature\Standin;
use Tests\Feature\World;

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
    $strategy = Strategies::in($world, Strategies::BOARD);
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
    $strategy = Strategies::in($world, [...Strategies::BOARD, 'a ('], ['alder', 'tern', 'fen']);
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
            Strategies::countAt('alder', $night),
            Strategies::countAt('alder', $near),
            Strategies::countAt('alder', "{$night} or ({$near})"),
            Strategies::countAt('alder', 'lux'),
            Strategies::countAt('alder', 'dc.title = light*'),
            Strategies::countAt('alder', $light),
        ])
        ->and([$of('l0', 'only'), $of('l1', 'only'), $of('l3', 'only')])
        ->toBe([
            Strategies::countAt('alder', "{$night} not ({$near})"),
            Strategies::countAt('alder', "({$near}) not {$night}"),
            Strategies::countAt('alder', 'lux not dc.title = light*'),
        ])
        ->and([$of('l6'), $of('l7'), $of('l8')])
        ->toBe([
            Strategies::countAt('alder', "({$night} or ({$near})) and ({$light})"),
            Strategies::countAt('alder', "({$night} or ({$near})) and ({$light}) and dc.date within \"2005 2020\""),
            Strategies::countAt(
                'alder',
                "({$night} or ({$near})) and ({$light}) and dc.date within \"2005 2020\" not dc.type = \"conference abstract\"",
            ),
        ])
        ->and($of('l6'))
        ->toBeGreaterThan(5)
        ->and($answer['tern']['l0']['own'])
        ->toBeNull()
        ->and($answer['tern']['l3']['own'])
        ->toBe(Strategies::countAt('tern', 'lux', ['version' => '2.0', 'queryType' => 'ccl']))
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

it('checks a strategy as a careful colleague would', function () {
    Standin::answers();
    $world = new World();
    $this->artisan('heron:thesauri');
    $strategy = Strategies::in($world, [
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
    $other = Strategies::in($world, ['shift', 'randomisaton', 'any(#1-#2)']);
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

it('takes hostile lines without harm', function (string $text, int $status) {
    Standin::answers();
    $world = new World();
    $strategy = Strategies::in($world, ['lamp', '#1 AND night']);
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
