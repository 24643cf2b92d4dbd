<?php

namespace Tests\Feature\Screening;

use App\Actions\Screening\ChangeStage;
use App\Actions\Shared\Refused;
use App\Models\ShareOut;
use App\Queries\Screening\Desk;
use App\Queries\Screening\ShareOut\Shares;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

it('shows what a share-out would be, and makes exactly that', function () {
    $world = (new World())->withWards();
    $url = "/reviews/{$world->review->id}/screening/share-outs";
    $this->actingAs($world->people['lead']);
    $this->get($url.'?'.http_build_query($world->terms(['anna', 'ben', 'lead'])))
        ->assertOk()
        ->assertSeeText('Anna Kolbe and Ben Strand')
        ->assertSeeText('Share out 12');
    expect(DB::table('assignments')->count())->toBe(0);
    $this->post($url, $world->terms(['anna', 'ben', 'lead'], ['expected' => 11]))->assertSessionHas(
        'problem',
        'The pool has changed since the preview: it holds 12 now, not 11. Look at the preview again.',
    );
    expect(DB::table('assignments')->count() + ShareOut::query()->count())->toBe(0);
    $this->post($url, $world->terms(['anna', 'ben', 'lead'], ['expected' => 12]))->assertSessionHas('notice');
    $stage = $world->review->fresh()->firstStage();
    expect(Shares::left($stage))
        ->toEqual([$world->people['anna']->id => 8, $world->people['ben']->id => 8, $world->people['lead']->id => 8])
        ->and($stage->work)
        ->toBe('shares')
        ->and(Shares::unshared($stage))
        ->toBe(0);
    expect(DB::table('assignments')->selectRaw('count(*) AS n')->groupBy('item_id')->pluck('n')->unique()->all())->toBe(
        [2],
    );
    $this->get($url)->assertSeeText('First half')->assertSeeText('seed 7');
    // drawn again from the same seed it is the same; nobody else may make one
    $this->actingAs($world->people['anna'])->post($url, $world->terms(['anna'], ['expected' => 0]))->assertForbidden();
    $this->actingAs($world->people['observer'])->get($url)->assertOk()->assertDontSee('New share-out');
});

it('says why it cannot be and offers what can', function () {
    $world = (new World())->withWards(10);
    $url = "/reviews/{$world->review->id}/screening/share-outs?";
    $this->actingAs($world->people['lead']);
    $quota = fn (?string $anna, ?string $ben): array => [
        $world->people['anna']->id => $anna,
        $world->people['ben']->id => $ben,
    ];
    $this->get(
        $url.http_build_query($world->terms(['anna', 'ben'], ['decisions' => '1', 'quota' => $quota('3', '3')])),
    )
        ->assertSeeText('add up to 6')
        ->assertSeeText('Anna Kolbe 5, Ben Strand 5');
    $this->get($url.http_build_query($world->terms(['anna'], [])))->assertSeeText('at least 2 different people');
    $this->get(
        $url.http_build_query($world->terms(['anna', 'ben'], ['q' => 'title:(ward AND', 'decisions' => '1'])),
    )->assertSee('Column');
    $this->get(
        $url.http_build_query($world->terms(['anna', 'ben'], ['q' => 'nothing', 'decisions' => '1'])),
    )->assertSeeText('the pool is empty');
    $this->get(
        $url.http_build_query($world->terms(['anna', 'ben'], ['percent' => '30', 'decisions' => '1'])),
    )->assertSeeText('10 in the pool → 3 drawn with the seed 7');
    $this->get(
        $url.
            http_build_query([
                'people' => [['x']],
                'seed' => ['a'],
                'quota' => 'x',
                'decisions' => '99',
                'mode' => 'nonsense',
            ]),
    )->assertOk();
});

it('lets each judge their share and nothing else', function () {
    $world = (new World())->withWards(6);
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/share-outs",
        $world->terms(
            ['anna', 'ben'],
            ['decisions' => '1', 'expected' => 6, 'quota' => [$world->people['anna']->id => '4']],
        ),
    );
    $stage = $world->review->fresh()->firstStage();
    $desk = new Desk($stage, $world->people['anna']);
    expect(count($desk->ahead(0, 50)))
        ->toBe(4)
        ->and([$desk->counts()->left, $desk->counts()->done])
        ->toBe([4, 0])
        ->and(array_column($desk->steps(), 'count'))
        ->toBe([4, 4]);
    $mine = array_column($desk->ahead(0, 50), 'id');
    foreach ($world->review->items()->get() as $item) {
        $try = fn () => $world->decide('anna', $item, 'include');
        in_array($item->id, $mine, true) ? $try() : expect($try)->toThrow(Refused::class, 'other people’s shares');
    }
    expect((new Desk($stage, $world->people['anna']))->ahead())
        ->toBe([])
        ->and((new Desk($stage, $world->people['lead']))->ahead())
        ->toBe([]);
    $this->actingAs($world->people['anna'])
        ->get("/reviews/{$world->review->id}/screening/desk")
        ->assertSee('in my shares');
});

it('lets people pull from one queue, and no more of them than an item needs', function () {
    $world = (new World())->withWards(8);
    app(ChangeStage::class)->change($world->people['lead'], $world->review->firstStage(), [
        'work' => 'queue',
        'required_decisions' => 1,
    ]);
    $seen = [];
    foreach (['anna', 'ben'] as $who) {
        $this->actingAs($world->people[$who])
            ->get("/reviews/{$world->review->id}/screening/desk")
            ->assertOk();
        $seen[$who] = array_column(
            (new Desk($world->review->fresh()->firstStage(), $world->people[$who]))->ahead(0, 50),
            'id',
        );
    }
    expect(count($seen['anna']))
        ->toBe(5)
        ->and(count($seen['ben']))
        ->toBe(3)
        ->and(array_intersect(...array_values($seen)))
        ->toBe([]);
    // what somebody left before them goes to others after a time
    $this->travel(30)->minutes();
    $this->actingAs($world->people['lead'])
        ->get("/reviews/{$world->review->id}/screening/desk?layout=list")
        ->assertOk();
    expect(count((new Desk($world->review->fresh()->firstStage(), $world->people['lead']))->ahead(0, 50)))->toBe(5);
});
