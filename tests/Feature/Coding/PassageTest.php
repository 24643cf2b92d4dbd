<?php

namespace Tests\Feature\Coding;

use App\Actions\Coding\MarkPassage;
use App\Models\Passage;
use App\Models\Theme;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\ThemePath;

function marks(World $world, string $who, string $quote, string $themes, string $memo = ''): TestResponse
{
    return test()
        ->actingAs($world->people[$who])
        ->postJson("/reviews/{$world->review->id}/coding/{$world->publication('Bed lamps')->id}/passages", [
            'piece' => ['quote' => $quote],
            'themes' => $themes,
            'memo' => $memo,
        ]);
}

/** @return array<string, int> passages by theme, with what is below */
function treeOf(World $world): array
{
    return array_map(
        fn (object $one): int => (int) $one->passages,
        array_column(\App\Queries\Coding\Themes\ThemeTree::of($world->review)->themes, null, 'path'),
    );
}

function themeNamed(string $name): Theme
{
    return Theme::query()->where('name', $name)->sole();
}

it('marks passages under themes that grow by being named, in a tree', function () {
    $world = AtTheDesk::world();
    $copy = AtTheDesk::copy($world, 'The lamps were bright and', 'some found them glaring.');
    marks($world, 'coder', 'some found them glaring', 'Comfort › Glare, Harms', 'One in eight')
        ->assertOk()
        ->assertJsonPath('passages.0.themes', 'Comfort › Glare, Harms')
        ->assertJsonPath('passages.0.by', 'Cleo Varga')
        ->assertJsonPath('themes', ['Comfort', 'Comfort › Glare', 'Harms']);
    test()->postJson("/reviews/{$world->review->id}/coding/{$world->publication('Bed lamps')->id}/passages", [
        'piece' => ['quote' => 'lamps were bright', 'copy' => $copy->id, 'page' => 1],
        'themes' => 'comfort > brightness',
    ])->assertJsonPath('passages.1.piece.where', 'page 1')->assertJsonCount(1, 'passages.1.piece.boxes');
    expect(treeOf($world))->toBe(['Comfort' => 2, 'Comfort › brightness' => 1, 'Comfort › Glare' => 1, 'Harms' => 1]);
    marks($world, 'coder', 'x', ' , ')->assertStatus(422);
    marks($world, 'observer', 'x', 'Glare')->assertForbidden();
    marks($world, 'outsider', 'x', 'Glare')->assertNotFound();
    $passage = Passage::query()->orderBy('id')->first();
    $this->actingAs($world->people['coder'])
        ->putJson("/reviews/{$world->review->id}/coding/passages/{$passage->id}", ['themes' => 'Glare at night', 'memo' => 'again'])
        ->assertJsonPath('passages.0.themes', 'Glare at night');
    $this->deleteJson("/reviews/{$world->review->id}/coding/passages/{$passage->id}")->assertJsonCount(1, 'passages');
    $foreign = AtTheDesk::elsewhere($world);
    $this->actingAs($world->people['outsider'])->deleteJson("/reviews/{$foreign->id}/coding/passages/{$passage->id}")->assertNotFound();
});

it('renames, moves, merges and splits themes, and loses no passage', function () {
    $world = AtTheDesk::world();
    foreach (['first' => 'Glare › Lamps', 'second' => 'Glare', 'third' => 'Comfort › Lamps', 'fourth' => 'Comfort'] as $quote => $themes) {
        marks($world, 'coder', $quote, $themes)->assertOk();
    }
    $do = fn (string $theme, array $what): TestResponse => $this->actingAs($world->people['coder'])
        ->post("/reviews/{$world->review->id}/coding/themes/".themeNamed($theme)->id, $what);
    // what is below goes over, and twins become one
    $do('Glare', ['do' => 'merge', 'other' => themeNamed('Comfort')->id])->assertRedirect();
    expect(treeOf($world))->toBe(['Comfort' => 4, 'Comfort › Lamps' => 2]);
    $do('Comfort', ['do' => 'rename', 'name' => 'Ease'])->assertRedirect();
    $second = Passage::query()->where('evidence->quote', 'second')->value('id');
    $do('Ease', ['do' => 'split', 'name' => 'Dazzle', 'passages' => [$second]])->assertRedirect();
    expect(treeOf($world))->toBe(['Dazzle' => 1, 'Ease' => 3, 'Ease › Lamps' => 2]);
    $do('Ease', ['do' => 'move', 'other' => themeNamed('Dazzle')->id])->assertRedirect();
    expect(treeOf($world))->toBe(['Dazzle' => 4, 'Dazzle › Ease' => 3, 'Dazzle › Ease › Lamps' => 2]);
    // nothing goes below itself
    $do('Dazzle', ['do' => 'move', 'other' => themeNamed('Lamps')->id])->assertSessionHas('problem');
    $do('Dazzle', ['do' => 'merge', 'other' => themeNamed('Ease')->id])->assertSessionHas('problem');
    $do('Ease', ['do' => 'split', 'name' => 'None', 'passages' => []])->assertSessionHas('problem');
    expect(DB::table('passage_themes')->count())->toBe(4);
    $this->actingAs($world->people['observer'])->post("/reviews/{$world->review->id}/coding/themes/".themeNamed('Ease')->id, ['do' => 'rename', 'name' => 'x'])->assertForbidden();
});

it('shows passages across studies with what stands around them, narrowed and counted by items, and gives them as files', function () {
    $world = AtTheDesk::coded();
    $mark = app(MarkPassage::class);
    foreach (['Aster' => 'Glare', 'Birk' => 'Glare › Morning', 'Cole' => 'Sleep'] as $name => $themes) {
        $piece = Evidence::quoted("Words of {$name}", prefix: 'Before them', suffix: 'and after');
        $mark->mark($world->people['coder'], $world->publication("Lamps of {$name}"), $piece, ThemePath::all($themes), "memo {$name}");
    }
    $at = "/reviews/{$world->review->id}/coding/passages";
    $page = $this->actingAs($world->people['observer'])->get("{$at}?theme=".themeNamed('Glare')->id.'&by='.AtTheDesk::itemOf($world, 'Light'));
    $page->assertOk()->assertSee('2 passages of 2 publications')->assertSeeText(['Before them', 'Words of Aster', 'memo Birk', 'Glare › Morning']);
    $page->assertDontSeeText('Words of Cole')->assertDontSee('Merge into it');
    $this->get("{$at}?with[]=".urlencode(AtTheDesk::itemOf($world, 'Lux').':2500'))->assertSeeText('Words of Birk')->assertDontSeeText('Words of Aster');
    $csv = AtTheDesk::bytes($this->get("/reviews/{$world->review->id}/exports/passages.csv")->assertOk());
    expect($csv)->toContain('Glare › Morning,Words of Birk,abstract,memo Birk,Cleo Varga');
    $json = json_decode($this->get("/reviews/{$world->review->id}/exports/passages.jsonld")->assertOk()->getContent(), true);
    expect($json['@context'])->toBe('http://www.w3.org/ns/anno.jsonld')->and($json['total'])->toBe(3);
    expect($json['first']['items'][1]['body'][0]['value'])->toBe('Glare › Morning')
        ->and($json['first']['items'][1]['target']['selector'][0])
        ->toBe(['type' => 'TextQuoteSelector', 'exact' => 'Words of Birk', 'prefix' => 'Before them', 'suffix' => 'and after']);
    $this->actingAs($world->people['outsider'])->get($at)->assertNotFound();
});

it('compares the themes of two people over the studies that both have read', function () {
    $world = AtTheDesk::world();
    marks($world, 'coder', 'some found them glaring', 'Comfort › Glare')->assertOk();
    marks($world, 'anna', 'found them glaring', 'Comfort')->assertOk();
    marks($world, 'anna', 'too loud', 'Noise')->assertOk();
    $people = ['one' => $world->people['coder']->id, 'other' => $world->people['anna']->id];
    $page = fn (array $asked): string => preg_replace('/\s+/', ' ', strip_tags((string) $this->get("/reviews/{$world->review->id}/coding/passages?".http_build_query($asked))->assertOk()->getContent()));

    expect($page($people))->toContain('Comfort 1 0 0 0 – 2 of 2')
        ->toContain('Comfort › Glare 0 1 0 0 0.00 0 of 1')
        ->toContain('Noise 0 0 1 0 0.00 0 of 1')
        ->and($page(['one' => $people['one']]))->not->toContain('passages that share words')
        ->and($page(['one' => $people['one'], 'other' => $people['one']]))->toContain('or they are one person');
});
