<?php

namespace Tests\Feature\Coding;

use App\Queries\Coding\Reconcile\AlikeCount;
use App\Queries\Coding\Reconcile\Reconciling;

it('tells how far two coders agree week by week, by when the second answered', function () {
    $world = AtTheDesk::world(AtTheDesk::asked('People'), AtTheDesk::asked('Wards'), AtTheDesk::asked('Beds'));
    $world->review->update(['coded_by' => 2]);
    $answer = function (string $day, string $who, string $label, string $value) use ($world): void {
        $this->travelTo($day);
        AtTheDesk::answers($world, $who, $label, ['value' => $value])->assertOk();
    };
    $answer('2026-03-02 10:00', 'coder', 'People', '64');
    $answer('2026-03-03 10:00', 'anna', 'People', '64');
    $answer('2026-03-04 10:00', 'coder', 'Wards', '3');
    $answer('2026-03-11 10:00', 'anna', 'Wards', '4');
    // only one has answered
    $answer('2026-03-12 10:00', 'anna', 'Beds', '40');

    expect(Reconciling::in($world->review->refresh())->byWeek())->toEqual([
        '2026-03-02' => new AlikeCount(1, 1),
        '2026-03-09' => new AlikeCount(1, 0),
    ]);
    $this->actingAs($world->people['lead'])->get("/reviews/{$world->review->id}/coding/differences")->assertOk()->assertSee('9 Mar 2026')->assertSee('100 %');
});
