<?php

namespace Tests\Feature\Synthesis;

use App\Models\JudgedCertainty;
use App\Models\LogEntry;

it('puts the figures of each analysis beside what people say of them, with what it means for a thousand people', function () {
    $at = AtSynthesis::fiveStudies();
    $analysis = $at->analysis(['by' => 'common', 'interval' => 'z']);
    $url = "/reviews/{$at->world->review->id}/synthesis/analyses/{$analysis->id}/certainty";
    $at->at('/certainty')->assertOk()->assertSeeText('not judged')->assertSee('0.60 (0.47–0.77)', false);

    $this->actingAs($at->world->people['coder'])->put($url, [
        'start' => 4,
        'baseline' => 200,
        'reasons' => ['bias' => ['steps' => 1, 'why' => 'Nobody was blinded'], 'large' => ['steps' => 0, 'why' => '']],
    ])->assertSessionHasNoErrors();
    // 200 × 0.60 is 120: 80 fewer, from 0.47 (106 fewer) to 0.77 (47 fewer)
    $at->at('/certainty')->assertSeeText('moderate')->assertSeeText('risk of bias, one step down: Nobody was blinded')
        ->assertSeeText('80 fewer per 1,000 (106 fewer to 47 fewer)');
    $file = $this->get("/reviews/{$at->world->review->id}/synthesis/certainty.csv")->assertOk()->getFile()->getPathname();
    expect(file_get_contents($file))->toContain('moderate')->toContain('80 fewer per 1,000');

    $this->travel(1)->minutes();
    $this->actingAs($at->world->people['coder'])->put($url, ['start' => 4, 'baseline' => 200, 'reasons' => ['bias' => ['steps' => 2, 'why' => 'Grave']]]);
    $at->at('/certainty')->assertSeeText('two steps down: Grave')->assertDontSeeText('Nobody was blinded');
    expect(JudgedCertainty::query()->count())->toBe(2)
        ->and(LogEntry::query()->where('action', 'certainty.judged')->count())->toBe(2);
});

it('takes no step without a reason, no risk that is none, and nothing from observers', function () {
    $at = AtSynthesis::fiveStudies();
    $analysis = $at->analysis();
    $url = "/reviews/{$at->world->review->id}/synthesis/analyses/{$analysis->id}/certainty";
    $this->actingAs($at->world->people['coder'])
        ->put($url, ['start' => 4, 'reasons' => ['bias' => ['steps' => 1, 'why' => ' ']]])
        ->assertSessionHas('problem');
    $this->put($url, ['start' => 4, 'baseline' => 1000])->assertSessionHasErrors('baseline');
    $this->put($url, ['start' => 7])->assertSessionHasErrors('start');
    $this->actingAs($at->world->people['observer'])->put($url, ['start' => 4])->assertForbidden();
    expect(JudgedCertainty::query()->count())->toBe(0);
    $at->at('/certainty')->assertOk();
});
