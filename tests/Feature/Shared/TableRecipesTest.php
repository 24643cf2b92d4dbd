<?php

namespace Tests\Feature\Shared;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Shared\RecipeColumn;
use App\Actions\Shared\RecipeColumns;
use App\Models\CodebookItem;
use App\Models\ExportRecipe;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;

/** @return list<list<string>> the rows of a table that was taken */
function taken(TestResponse $response): array
{
    $content = (string) file_get_contents($response->assertOk()->baseResponse->getFile()->getPathname());
    $lines = explode("\r\n", trim($content, "\xEF\xBB\xBF\r\n"));

    return array_map(fn (string $line): array => str_getcsv($line, ',', '"', ''), $lines);
}

it('takes the coding table by a recipe: its columns, under its names, and the next time only what changed', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps'], ['TI' => 'Naps']]);
    foreach ([0, 1] as $number) {
        foreach (['anna', 'ben'] as $who) {
            $world->decide($who, $world->item($number), 'include');
        }
    }
    app(ChangeCodebook::class)->add($world->people['lead'], $world->review, new Entry('', 'Lux = brightness', new Code(CodeType::Number)));
    $code = CodebookItem::query()->sole();
    $coding = "/reviews/{$world->review->id}/coding";
    $this->actingAs($world->people['lead']);
    $answer = fn (string $title, int $value): mixed => $this->putJson("{$coding}/{$world->publication($title)->id}/{$code->id}", ['value' => (string) $value])->assertOk();
    $answer('Lamps', 300);
    $this->post("{$coding}/recipes", ['name' => 'Mine', 'format' => 'csv', 'columns' => "title = Study\nLux = brightness = Lux | number\nchange = Was"])
        ->assertSessionHasNoErrors();
    $recipe = ExportRecipe::query()->sole();
    $take = fn (array $with = []): array => taken($this->post("{$coding}/recipes/{$recipe->id}", $with));
    [$lamps, $naps] = [$world->publication('Lamps')->id, $world->publication('Naps')->id];

    expect($take())->toBe([['id', 'Study', 'Lux', 'Was'], [$lamps, 'Lamps', '300', 'new'], [$naps, 'Naps', '', 'new']])
        ->and($take(['changed' => 1]))->toHaveCount(1);
    $answer('Naps', 500);
    expect($take(['changed' => 1]))->toBe([['id', 'Study', 'Lux', 'Was'], [$naps, 'Naps', '500', 'changed']]);
    $this->get($coding)->assertSee('Mine')->assertSee('Only what changed');
    $this->get("/reviews/{$world->review->id}/records")->assertDontSee('Mine');
    $this->delete("{$coding}/recipes/{$recipe->id}");
    expect(ExportRecipe::query()->count())->toBe(0);
});

it('reads the columns of a recipe, also of fields that hold the sign, and says which line is none', function () {
    $read = fn (string $told): RecipeColumns => RecipeColumns::read($told, ['id', 'year', 'p = value', 'p'], 'id');

    expect($read("p = value = P\nyear | text\nid = Key")->columns)->toEqual([
        new RecipeColumn('id', 'Key'),
        new RecipeColumn('p = value', 'P'),
        new RecipeColumn('year', 'year', 'text'),
    ])
        ->and($read("year\nshoe = Size")->problem)->toStartWith('Line 2: “shoe” is no field.')
        ->and(array_column($read('')->columns, 'field'))->toBe([]);
});

it('lets only those who code keep a recipe, and takes none of another table or review', function () {
    $world = new World();
    $recipe = fn (string $of): ExportRecipe => $world->review->recipes()->create([
        'table_of' => $of, 'name' => $of, 'columns' => [['field' => 'id', 'heading' => 'id', 'kind' => '']], 'format' => 'csv', 'created_by' => $world->people['lead']->id,
    ]);
    $coding = "/reviews/{$world->review->id}/coding/recipes";
    $this->actingAs($world->people['observer'])->post($coding, ['name' => 'x', 'format' => 'csv', 'columns' => 'id'])->assertForbidden();
    $this->actingAs($world->people['lead'])->post("{$coding}/{$recipe('scouting')->id}")->assertNotFound();
    $this->delete("{$coding}/{$recipe('library')->id}")->assertNotFound();
    $this->post($coding, ['name' => 'library', 'format' => 'csv', 'columns' => 'id'])->assertSessionHasErrors('name');
});
