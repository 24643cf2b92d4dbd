<?php

namespace Tests\Feature\Coding;

use App\Models\Answer;
use App\Models\CodebookItem;
use Tests\Feature\World;

function coded(): World
{
    $world = new World();
    $world->deliver([
        ['TI' => '=HYPERLINK("x")', 'AU' => '+Evil, A'],
        ['TI' => 'Two', 'AU' => 'Strand, B', 'XY' => 'kept'],
    ]);
    foreach ([0, 1] as $i) {
        $world->decide('anna', $world->item($i), 'include');
        $world->decide('ben', $world->item($i), 'include');
    }

    return $world;
}

it('builds a codebook, codes, and lets nobody overwrite unseen', function () {
    $world = coded();
    $review = "/reviews/{$world->review->id}";
    $this->actingAs($world->people['lead'])
        ->post("{$review}/codebook", ['label' => 'Design', 'type' => 'choice', 'options' => "trial\nsurvey\n\ntrial"])
        ->assertSessionHasNoErrors();
    $this->post("{$review}/codebook", ['label' => 'No options', 'type' => 'choices'])->assertSessionHasErrors(
        'options',
    );
    $this->post("{$review}/codebook", ['label' => 'Light', 'type' => 'number', 'unit' => 'lux']);
    [$design, $light] = CodebookItem::query()->orderBy('position')->get()->all();
    expect($design->options)->toBe(['trial', 'survey']);
    $answer = fn (CodebookItem $code, array $given) => $this->putJson(
        "{$review}/coding/{$world->publication('Two')->id}/{$code->id}",
        $given,
    );

    $first = $this->actingAs($world->people['coder'])
        ->putJson("{$review}/coding/{$world->publication('Two')->id}/{$light->id}", [
            'value' => '1,500',
            'evidence' => [['quote' => 'at 1,500 lux', 'page' => 2]],
            'seen' => '',
        ])
        ->assertOk()
        ->assertJsonPath('value', 1500)
        ->json('id');
    $answer($light, ['value' => 'bright', 'seen' => $first])
        ->assertUnprocessable()
        ->assertJsonPath('message', fn (string $m): bool => str_contains($m, 'not a number'));
    $this->actingAs($world->people['anna']);
    $answer($light, ['value' => '900', 'seen' => ''])
        ->assertStatus(409)
        ->assertJsonPath('message', fn (string $m): bool => str_contains($m, 'Cleo Varga answered'));
    $answer($light, ['value' => '900', 'seen' => $first])->assertOk();
    $answer($design, ['value' => 'poem'])->assertUnprocessable();
    expect(Answer::query()->count())
        ->toBe(2)
        ->and(Answer::query()->whereNull('superseded_at')->sole()->value)
        ->toBe(900);
    $this->get("{$review}/coding")
        ->assertOk()
        ->assertSee('900')
        ->assertSee('1 of 2');
    $this->getJson("{$review}/coding/{$world->publication('Two')->id}")
        ->assertOk()
        ->assertJsonPath('items.1.answer.by', 'Anna Kolbe')
        ->assertJsonPath('items.1.standing', 'begun');
    $this->actingAs($world->people['lead'])
        ->put("{$review}/codebook/{$light->id}", ['label' => 'Light', 'type' => 'text'])
        ->assertSessionHas('problem');
});

it('codes included publications only', function () {
    $world = new World();
    $world->deliver([['TI' => 'Waiting']]);
    $code = CodebookItem::query()->create([
        'review_id' => $world->review->id,
        'position' => 1,
        'label' => 'Design',
        'type' => 'text',
    ]);
    $this->actingAs($world->people['coder'])
        ->putJson("/reviews/{$world->review->id}/coding/{$world->publication('Waiting')->id}/{$code->id}", [
            'value' => 'x',
        ])
        ->assertStatus(409);
});

it('exports what is included, safe to open', function () {
    $world = coded();
    $code = CodebookItem::query()->create([
        'review_id' => $world->review->id,
        'position' => 1,
        'label' => 'Design',
        'type' => 'text',
    ]);
    $review = "/reviews/{$world->review->id}";
    $this->actingAs($world->people['coder'])
        ->putJson("{$review}/coding/{$world->publication('Two')->id}/{$code->id}", [
            'value' => '=cmd|calc',
            'evidence' => [['quote' => '@quote']],
        ])
        ->assertOk();
    $rows = function (string $path): array {
        $stream = fopen('php://memory', 'w+');
        fwrite($stream, substr(AtTheDesk::bytes($this->get($path)->assertOk()), 3));
        rewind($stream);
        $rows = [];
        while (($row = fgetcsv($stream, escape: '')) !== false) {
            $rows[] = $row;
        }

        return $rows;
    };
    $included = $rows("{$review}/exports/included/csv");
    expect(array_column($included, 2))
        ->toBe(['title', "'=HYPERLINK(\"x\")", 'Two'])
        ->and($included[1][3])
        ->toBe("'+Evil, A");
    expect(array_merge(...$rows("{$review}/exports/coding.csv?parts[]=quote")))->toContain("'=cmd|calc", "'@quote");
    $ris = $this->get("{$review}/exports/included/ris")
        ->assertOk()
        ->assertHeader('content-disposition')
        ->streamedContent();
    expect(substr_count($ris, 'TY  - '))->toBe(2)->and($ris)->toContain('XY  - kept');
    expect(json_decode($this->get("{$review}/exports/included/csl-json")->streamedContent(), true))->toHaveCount(2);
    $this->get("{$review}/exports/included/exe")->assertNotFound();
});
