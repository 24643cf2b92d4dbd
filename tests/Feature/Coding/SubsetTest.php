<?php

namespace Tests\Feature\Coding;

use App\Actions\Coding\ChangeCodebook;
use App\Models\LogEntry;
use App\Queries\Coding\DepthSubset;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Pass;

/** Three included studies, two mapping items and one in depth. */
function mapped(): World
{
    $world = new World();
    $world->deliver([['TI' => 'A lamp'], ['TI' => 'B lamp'], ['TI' => 'C lamp']]);
    foreach ([0, 1, 2] as $i) {
        foreach (['anna', 'ben'] as $who) {
            $world->decide($who, $world->item($i), 'include');
        }
    }
    app(ChangeCodebook::class)->addAll($world->people['lead'], $world->review, [
        AtTheDesk::asked('Light', CodeType::Choice),
        AtTheDesk::asked('Where', CodeType::Choice),
        AtTheDesk::asked('Bias', CodeType::Text, pass: Pass::InDepth),
    ]);

    return $world;
}

function says(World $world, string $title, string $label, string $value): void
{
    $code = $world->review->codes()->where('label', $label)->sole();
    test()->actingAs($world->people['coder'])
        ->putJson("/reviews/{$world->review->id}/coding/{$world->publication($title)->id}/{$code->id}", ['value' => $value])
        ->assertOk();
}

/** @return list<string> titles */
function inDepth(World $world): array
{
    return DepthSubset::of($world->review->refresh())->studies()->pluck('title')->sort()->values()->all();
}

function subset(World $world, string $method, string $what, array $with = [], string $who = 'lead'): TestResponse
{
    return test()->actingAs($world->people[$who])->{$method}("/reviews/{$world->review->id}/in-depth{$what}", $with);
}

/** @return array<string, list<string>> a rule of both items, by item */
function lampsOnWindows(World $world): array
{
    $codes = $world->review->codes()->pluck('id', 'label');

    return [$codes['Light'] => ['lamp'], $codes['Where'] => ['window']];
}

it('keeps a list by a rule, shows what the rule would change, and changes it when told to', function () {
    $world = mapped();
    expect(inDepth($world))->toHaveCount(3);
    foreach (['A lamp' => ['lamp › desk', 'window'], 'B lamp' => ['lamp', 'lamp']] as $title => [$light, $where]) {
        says($world, $title, 'Light', $light);
        says($world, $title, 'Where', $where);
    }
    subset($world, 'get', '?'.http_build_query(['answers' => lampsOnWindows($world)]))
        ->assertOk()
        ->assertSeeText('1 of 3 studies')
        ->assertSee('Keep this list');
    expect(inDepth($world))->toHaveCount(3);
    subset($world, 'put', '', ['answers' => lampsOnWindows($world), 'follows' => 0])
        ->assertSessionHas('notice', 'The in-depth pass goes to studies where “Light” is lamp and “Where” is window.');
    expect(inDepth($world))->toBe(['A lamp']);

    says($world, 'B lamp', 'Where', 'window');
    says($world, 'A lamp', 'Light', 'window');
    expect(inDepth($world))->toBe(['A lamp']);
    subset($world, 'get', '')->assertSeeText('1 would join')->assertSeeText('1 would leave');
    subset($world, 'post', '/changes');
    expect(inDepth($world))->toBe(['B lamp'])
        ->and(LogEntry::query()->where('action', 'coding.depth')->pluck('summary')->last())->toBe('1 study joined the in-depth subset, 1 left it');
});

it('follows the rule by itself where told to, and lets people put studies there or leave them out', function () {
    $world = mapped();
    subset($world, 'put', '', ['answers' => lampsOnWindows($world), 'follows' => 1]);
    says($world, 'A lamp', 'Light', 'lamp');
    says($world, 'A lamp', 'Where', 'window');
    expect(inDepth($world))->toBe(['A lamp']);
    $id = fn (string $title): string => $world->publication($title)->id;
    subset($world, 'post', '/studies', ['studies' => [$id('C lamp')], 'in' => 1]);
    subset($world, 'post', '/studies', ['studies' => [$id('A lamp')], 'in' => 0]);
    expect(inDepth($world))->toBe(['C lamp']);
    $asked = function (string $title) use ($world, $id): array {
        $desk = $this->actingAs($world->people['coder'])->getJson("/reviews/{$world->review->id}/coding/{$id($title)}");

        return collect($desk->json('items'))->pluck('standing', 'label')->all();
    };
    expect($asked('C lamp')['Bias'])->toBe('open')
        ->and($asked('A lamp')['Bias'])->toBe('not-asked');
    subset($world, 'put', '', ['all' => 1]);
    expect(inDepth($world))->toHaveCount(3);
    subset($world, 'post', '/studies', ['studies' => [$id('A lamp')], 'in' => 0])->assertSessionHas('problem');
});

it('is offered from a cell of the map, and is the lead’s to change', function () {
    $world = mapped();
    says($world, 'A lamp', 'Light', 'lamp');
    says($world, 'A lamp', 'Where', 'window');
    [$rows, $columns] = [array_key_first(lampsOnWindows($world)), array_key_last(lampsOnWindows($world))];
    $cell = http_build_query(['rows' => $rows, 'columns' => $columns, 'row' => 'lamp', 'column' => 'window']);
    $this->actingAs($world->people['lead'])
        ->get("/reviews/{$world->review->id}/synthesis?{$cell}")
        ->assertOk()
        ->assertSee('as the in-depth subset', false);
    subset($world, 'put', '', ['answers' => lampsOnWindows($world)], 'coder')->assertForbidden();
    subset($world, 'get', '', [], 'observer')->assertOk()->assertDontSee('Show which studies');
    subset($world, 'put', '', ['answers' => ['no item' => ['x']], 'follows' => 1]);
    expect(inDepth($world))->toBe([]);
});
