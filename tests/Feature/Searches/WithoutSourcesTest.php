<?php

namespace Tests\Feature\Searches;

use App\Models\Strategy;
use Tests\Feature\World;

/** A copy that can ask no database yet, as one for real work begins: everything else can be done in it. */
it('builds, translates and prints a strategy where no database can be asked', function () {
    config(['heron.sources' => [], 'heron.locker' => null]);
    $world = (new World())->withCriteria();
    $review = "/reviews/{$world->review->id}";
    $this->actingAs($world->people['specialist'])
        ->get("{$review}/searches/new")
        ->assertOk()
        ->assertSee('No database can be asked from this copy');
    $this->post("{$review}/searches", [
        'name' => 'By hand',
        'blocks' => [['name' => 'People', 'terms' => "nurse*\nnight shift"], ['name' => 'Light', 'terms' => 'lamp*']],
    ])
        ->assertSessionHasNoErrors()
        ->assertRedirect();
    $strategy = Strategy::query()->sole();
    foreach (['', '/lines', '/translation', '/known-items', '/check', '/versions', '/runs'] as $view) {
        $this->get("{$review}/searches/{$strategy->id}{$view}")->assertOk();
    }
    $this->get("{$review}/searches/{$strategy->id}/translation")->assertSee('nurse*');
    $this->postJson("{$review}/searches/{$strategy->id}/numbers")->assertOk();
    foreach (['searches', 'searches/report', 'thesauri', 'dialects', 'full-texts', 'deliveries', 'report'] as $page) {
        $this->get("{$review}/{$page}")->assertOk();
    }
    $this->post("{$review}/searches", [
        'name' => 'Elsewhere',
        'sources' => ['alder'],
        'blocks' => [],
    ])->assertSessionHasErrors('sources');
});
