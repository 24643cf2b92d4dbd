<?php

namespace Tests\Feature\Synthesis;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\SaveAnswer;
use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Coding\AnswerSlot;
use App\Queries\Synthesis\MapQuery;
use App\View\Report\LiveBlocks;
use Tests\Feature\Coding\AtTheDesk;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\GivenAnswer;

/** Five studies by light (several) and staff (one). */
function mapped(): AtSynthesis
{
    $at = AtSynthesis::with('Aster', 'Birk', 'Cole', 'Dorn', 'Esch');
    app(ChangeCodebook::class)->addAll($at->world->people['lead'], $at->world->review, [
        AtTheDesk::asked('Light', CodeType::Choices),
        AtTheDesk::asked('Staff', CodeType::YesNo),
        AtTheDesk::asked('Lux'),
    ]);
    $answers = [
        'Light' => ['Aster' => ['lamp', 'window'], 'Birk' => ['lamp'], 'Cole' => ['window'], 'Dorn' => null],
        'Staff' => ['Aster' => 'Yes', 'Birk' => 'No', 'Cole' => 'Yes', 'Dorn' => 'Yes'],
    ];
    foreach ($answers as $label => $of) {
        $code = CodebookItem::query()->where('label', $label)->sole();
        foreach ($of as $name => $value) {
            $given = $value === null ? new GivenAnswer(null, AnswerKind::NotReported) : new GivenAnswer($value);
            $slot = new AnswerSlot($at->world->publication("Lamps of {$name}"), $code);
            app(SaveAnswer::class)->execute($at->world->people['coder'], $slot, $given);
        }
    }

    return $at;
}

it('counts studies, each once in every cell of its own and once in a total', function () {
    $at = mapped();
    $item = fn (string $label): CodebookItem => CodebookItem::query()->where('label', $label)->sole();
    $query = new MapQuery(Review::query()->findOrFail($at->world->review->id), $item('Light'), $item('Staff'), null);
    $map = $query->map();
    expect([$map->at('lamp', 'Yes'), $map->at('lamp', 'No'), $map->at('window', 'Yes'), $map->at('not reported', 'Yes')])->toBe([1, 1, 2, 1]);
    expect([$map->rowTotals['lamp'], $map->columnTotals['Yes'], $map->studies, $query->uncounted($map->studies)])->toBe([2, 3, 4, 1]);
    // Aster stands in two cells, so that no test is made
    expect($map->isPartition())->toBeFalse()->and($map->tests())->toBeNull();
    expect($query->studies('window', 'Yes')->pluck('title')->all())->toBe(['Lamps of Aster', 'Lamps of Cole']);
});

it('shows gaps, opens cells, splits discs, and gives files', function () {
    $at = mapped();
    [$light, $staff] = [CodebookItem::query()->where('label', 'Light')->value('id'), CodebookItem::query()->where('label', 'Staff')->value('id')];
    $asked = "rows={$light}&columns={$staff}";
    $page = $at->at("?{$asked}&row=window&column=Yes")->assertOk()->assertSee('4 studies, 1 not coded for it yet');
    $page->assertSeeText(['window × Yes', 'Aster A 2020', 'Cole A 2020'])->assertDontSeeText('Birk A 2020');
    $at->at("?rows={$light}&columns=&fill={$staff}")->assertOk()->assertSee('url(#lines)', false);
    $csv = file_get_contents($at->at("/map.csv?{$asked}")->assertOk()->baseResponse->getFile()->getPathname());
    expect($csv)->toContain("window,2,0,0,2\r\n", "all,3,1,0,4\r\n");
    expect((new \DOMDocument())->loadXML($at->at("/map.svg?{$asked}")->getContent()))->toBeTrue();
    $at->at("?{$asked}", 'outsider')->assertNotFound();
    // what names no item is as if it were not there
    $at->at('?rows=x&columns=y&fill=z&row=q')->assertOk();
});

it('tests independence where every study lies in one cell', function () {
    $at = mapped();
    $staff = CodebookItem::query()->where('label', 'Staff')->sole();
    $map = (new MapQuery(Review::query()->findOrFail($at->world->review->id), $staff, $staff, null))->map();
    expect($map->isPartition())->toBeTrue()->and($map->tests()['pearson']->df)->toBe(1);
});

it('lays the map in layers of a third item, which add up where each study gives one answer', function () {
    $at = mapped();
    $item = fn (string $label): CodebookItem => CodebookItem::query()->where('label', $label)->sole();
    $query = new MapQuery(Review::query()->findOrFail($at->world->review->id), $item('Light'), null, $item('Staff'));
    $layers = $query->layers();
    expect(array_keys($layers))->toBe(['Yes', 'No'])->and($layers['Yes']->studies + $layers['No']->studies)->toBe($query->map()->studies);
    foreach ($query->map()->rows as $row) {
        expect($layers['Yes']->at($row, '') + $layers['No']->at($row, ''))->toBe($query->map()->at($row, ''));
    }
    // Esch answers neither; Dorn says nothing of light but that it is not reported
    expect($layers['Yes']->at('not reported', ''))->toBe(1);
    $asked = "rows={$item('Light')->id}&columns=&fill={$item('Staff')->id}";
    $at->at("?{$asked}&as=of-all")->assertOk()->assertSeeText(['Staff: Yes', '66.7 %', 'Staff: No']);
    expect(file_get_contents($at->at("/map.csv?{$asked}")->baseResponse->getFile()->getPathname()))->toContain("\nYes\r\n", "window,2,2\r\n");
});

it('keeps the studies that give no answer to the third item as a layer of their own', function () {
    $at = mapped();
    $item = fn (string $label): CodebookItem => CodebookItem::query()->where('label', $label)->sole();
    $esch = $at->world->publication('Lamps of Esch');
    app(SaveAnswer::class)->execute($at->world->people['coder'], new AnswerSlot($esch, $item('Light')), new GivenAnswer(['lamp']));
    $layers = (new MapQuery($at->world->review, $item('Light'), null, $item('Staff')))->layers();
    expect(array_keys($layers))->toBe(['Yes', 'No', ''])->and([$layers['']->studies, $layers['']->at('lamp', '')])->toBe([1, 1]);
});

it('says what is missing where nothing can be mapped', function () {
    AtSynthesis::with('Aster')->at('')->assertOk()->assertSee('There is nothing to map yet');
});

it('hands the map out as one page that loads nothing and leads from each cell to its studies', function () {
    $at = mapped();
    $codes = $at->world->review->codes()->pluck('id')->all();
    $page = (string) $at->at("/map.html?rows={$codes[0]}&columns={$codes[1]}")->assertOk()->getContent();

    expect($page)->toContain('<svg')
        ->not->toMatch('/<script|<link|src=|url\((?!#)/i')
        ->and(preg_match_all('/href="#(cell-\d+-\d+)"/', $page, $links))->toBeGreaterThan(0);
    foreach (array_unique($links[1]) as $anchor) {
        expect($page)->toContain("id=\"{$anchor}\"");
    }
    $query = new MapQuery($at->world->review, $at->world->review->codes()->findOrFail($codes[0]), $at->world->review->codes()->findOrFail($codes[1]), null);
    $map = $query->map();
    foreach ($map->rows as $row) {
        foreach ($map->columns as $column) {
            expect(count($query->byCell()[$row][$column] ?? []))->toBe($map->at($row, $column))
                ->and($query->studies($row, $column)->count())->toBe($map->at($row, $column));
        }
    }
});

it('stands in the report as a live block that tells which cell has changed', function () {
    $at = mapped();
    $item = fn (string $label): CodebookItem => CodebookItem::query()->where('label', $label)->sole();
    $review = $at->world->review->fresh();
    expect(LiveBlocks::offered($review)['Evidence maps'])->toBe(["map:{$item('Light')->id} {$item('Staff')->id}" => 'Light by Staff']);
    $before = LiveBlocks::of($review, 'map', "{$item('Light')->id} {$item('Staff')->id}");
    expect($before->facts)->toMatchArray(['studies' => '4', 'lamp, Yes' => '1', 'window, Yes' => '2'])
        ->and($before->html())->toContain('<svg')->not->toContain('<script');
    $slot = new AnswerSlot($at->world->publication('Lamps of Birk'), $item('Staff'));
    app(SaveAnswer::class)->execute($at->world->people['coder'], $slot, new GivenAnswer('Yes'));
    $after = LiveBlocks::of($review, 'map', "{$item('Light')->id} {$item('Staff')->id}");
    expect($before->changed($after))->toContain('lamp, Yes: 1 → 2')->toContain('lamp, No: 1 → 0');
    expect(LiveBlocks::of($review, 'map', "{$item('Light')->id} {$item('Lux')->id}")->title)->toBe('What this showed is gone')
        ->and(LiveBlocks::of($review, 'map', '')->title)->toBe('What this showed is gone');
});
