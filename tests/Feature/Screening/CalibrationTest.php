<?php

namespace Tests\Feature\Screening;

use App\Queries\Screening\ShareOut\Shares;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;
use WaryHeron\Core\Screening\StagePurpose;

it('draws a calibration set that everybody judges, apart from the main round', function () {
    $world = (new World())->withWards(20);
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/share-outs",
        $world->terms(
            ['anna', 'ben', 'lead'],
            ['mode' => 'everyone', 'sample' => '5', 'expected' => 5, 'name' => 'Calibration'],
        ),
    );
    $stage = $world->review->fresh()->stages->firstWhere('purpose', StagePurpose::Calibration);
    expect($stage->required_decisions)
        ->toBe(3)
        ->and($stage->name)
        ->toBe('Calibration 1')
        ->and(Shares::left($stage))
        ->toHaveCount(3)
        ->and($world->review->fresh()->firstStage()->work)
        ->toBe('anything');
    foreach (DB::table('items')->where('stage_id', $stage->id)->pluck('id') as $id) {
        foreach (['anna' => 'include', 'ben' => 'include', 'lead' => 'exclude'] as $who => $verdict) {
            $world->decide($who, $world->review->items()->findOrFail($id), $verdict);
        }
    }
    // what came of it counts nowhere else
    expect(DB::table('items')->where('stage_id', $stage->id)->pluck('state')->unique()->all())
        ->toBe(['disagreement'])
        ->and(DB::table('items')->where('stage_id', '<>', $stage->id)->pluck('state')->unique()->all())
        ->toBe(['waiting']);
    $this->get("/reviews/{$world->review->id}/screening/agreement?stage={$stage->id}")->assertSee(
        'Anna Kolbe and Ben Strand',
    );
    $this->get("/reviews/{$world->review->id}/report")
        ->assertOk()
        ->assertDontSee('do not add up');
});

it('carries what a calibration set ended with into the stage, so that nobody judges it twice', function () {
    $world = (new World())->withWards(4);
    $url = "/reviews/{$world->review->id}/screening";
    $this->actingAs($world->people['lead'])
        ->post("{$url}/share-outs", $world->terms(['anna', 'ben'], ['mode' => 'everyone', 'expected' => 4]))
        ->assertSessionHas('notice');
    $set = $world->review->fresh()->stages->firstWhere('purpose', StagePurpose::Calibration);
    $items = \App\Models\Item::query()->where('stage_id', $set->id)->orderBy('position')->get();
    foreach (
        ['anna' => ['include', 'exclude', 'include'], 'ben' => ['include', 'exclude', 'exclude']] as $who => $verdicts
    ) {
        foreach ($verdicts as $i => $verdict) {
            $world->decide($who, $items[$i], $verdict);
        }
    }
    $this->post("{$url}/stages/{$set->id}/target", ['target' => '0.9'])->assertSessionHas('notice');
    $this->get("{$url}/agreement?stage={$set->id}")
        ->assertSee('Not reached')
        ->assertSee('Take 2 into');
    $this->actingAs($world->people['anna'])
        ->post("{$url}/stages/{$set->id}/carry")
        ->assertForbidden();
    $this->actingAs($world->people['lead'])
        ->post("{$url}/stages/{$set->id}/carry")
        ->assertSessionHas('notice');
    $main = $world->review->firstStage();
    $states = \App\Models\Item::query()
        ->where('stage_id', $main->id)
        ->whereIn('publication_id', $items->pluck('publication_id'))
        ->get()
        ->pluck('state.value', 'publication_id');
    expect($items->map(fn ($item): string => $states[$item->publication_id])->all())->toBe([
        'included',
        'excluded',
        'waiting',
        'waiting',
    ]);
    expect(DB::table('decisions')->where('stage_id', $main->id)->whereNotNull('verdict')->count())->toBe(4);
    $this->post("{$url}/stages/{$set->id}/carry")->assertSessionHas('problem');
    // what was settled goes with it
    app(\App\Actions\Screening\SettleItem::class)->alone(
        $world->people['lead'],
        $items[2],
        \WaryHeron\Core\Screening\Verdict::Include,
        null,
        'as the protocol says',
    );
    $this->post("{$url}/stages/{$set->id}/carry");
    expect(
        \App\Models\Item::query()
            ->where('stage_id', $main->id)
            ->where('publication_id', $items[2]->publication_id)
            ->sole()->state->value,
    )->toBe('included');
    $this->post("{$url}/stages/{$main->id}/carry")->assertSessionHas(
        'problem',
        'Only a calibration set is carried into a stage.',
    );
});
