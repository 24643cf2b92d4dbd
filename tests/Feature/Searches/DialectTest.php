<?php

namespace Tests\Feature\Searches;

use Tests\Feature\Standin;
use Tests\Feature\World;

it('lets a team add the dialect of another database, tried as it is written', function () {
    $world = new World();
    $strategy = Strategies::in($world, ['lamp* AND year:2010']);
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
