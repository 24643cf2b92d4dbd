<?php

namespace Tests\Feature\Report;

use App\Queries\Report\WorkSteps;
use Tests\Feature\World;

it('draws how the review is done: rules, people and numbers as they are, each number with what it counts', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps & lights'], ['TI' => 'Naps']]);
    $world->decide('anna', $world->item(), 'include');
    $svg = $this->actingAs($world->people['observer'])
        ->get("/reviews/{$world->review->id}/report/work.svg")
        ->assertOk()
        ->getContent();
    expect(simplexml_load_string($svg))->not->toBeFalse()
        ->and($svg)->toContain('2 people judge each, blinded')
        ->toContain('Anna Kolbe, 1 done')
        ->toContain('2 items')
        ->toContain('2 not decided yet')
        ->toContain('<title>Those that this stage included.</title>')
        ->not->toContain('include<');
    foreach (WorkSteps::of($world->review->fresh()) as $step) {
        foreach ($step->facts as $fact) {
            expect($fact->definition)->not->toBe('');
            $this->get($fact->link)->assertOk();
        }
    }
    $this->get("/reviews/{$world->review->id}/report/work")->assertOk()->assertSeeText('Records that were delivered and not withdrawn.');
});

it('is worded and laid out by the lead, and its numbers are never typed', function () {
    $world = new World();
    $url = "/reviews/{$world->review->id}/report/work";
    $this->actingAs($world->people['lead'])
        ->put($url, ['columns' => 1, 'captions' => ['What we <ask>', '', '']])
        ->assertSessionHasNoErrors();
    expect($this->get("{$url}.svg")->getContent())->toContain('What we &lt;ask&gt;')->toContain('>Searches<')
        ->and($world->review->fresh()->work_columns)->toBe(1);
    $this->put($url, ['columns' => 9])->assertSessionHasErrors('columns');
    $this->put($url, ['columns' => 1, 'captions' => ['Question']]);
    expect($world->review->fresh()->work_captions)->toBe([]);
    $this->actingAs($world->people['anna'])->put($url, ['columns' => 2])->assertForbidden();
});
