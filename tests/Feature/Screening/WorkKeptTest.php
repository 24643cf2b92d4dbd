<?php

namespace Tests\Feature\Screening;

use App\Actions\Screening\ChangeStage;
use App\Actions\Screening\RecordDecision;
use App\Queries\Screening\ScreenerCounts;
use App\Queries\Screening\ShareOut\Shares;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

it('keeps what is left of a share equal to a count, whatever happens to the items', function () {
    $world = (new World())->withWards(8);
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/share-outs",
        $world->terms(['anna', 'ben'], ['expected' => 8]),
    );
    $stage = $world->review->fresh()->firstStage();
    $equal = function () use ($stage): void {
        $counted = DB::select(
            "SELECT a.user_id, count(*)::int AS n FROM assignments a JOIN items i ON i.id = a.item_id WHERE a.stage_id = ? AND i.state = 'waiting'
            AND NOT EXISTS (SELECT 1 FROM decisions d WHERE d.item_id = a.item_id AND d.user_id = a.user_id AND d.superseded_at IS NULL AND d.verdict IS NOT NULL) GROUP BY 1",
            [$stage->id],
        );
        expect(Shares::left($stage))->toEqual(array_column($counted, 'n', 'user_id'));
    };
    $world->decide('anna', $world->item(0), 'include');
    $equal();
    app(RecordDecision::class)->takeBack($world->people['anna'], $world->item(0));
    $equal();
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, $world->item(1), 'exclude');
    }
    $world->decide('ben', $world->item(2), 'include');
    $equal();
    $this->post("/reviews/{$world->review->id}/records/remove", [
        'sure' => '1',
        'reason' => 'Wrong',
        'ids' => [$world->item(3)->publication_id, $world->item(2)->publication_id],
    ]);
    $equal();
    $this->post("/reviews/{$world->review->id}/records/restore", ['all' => '2', 'sure' => '1']);
    $equal();
    app(ChangeStage::class)->change($world->people['lead'], $stage, ['required_decisions' => 1]);
    $equal();
    expect(Shares::left($stage))->toEqual([$world->people['anna']->id => 6, $world->people['ben']->id => 6]);
    app(ChangeStage::class)->close($world->people['lead'], $stage);
    expect(Shares::left($stage))->toBe([]);
});

it('puts what is kept of each person’s work together, and counts the same before and after', function () {
    $world = (new World())->withWards(8);
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/share-outs",
        $world->terms(['anna', 'ben'], ['expected' => 8]),
    );
    foreach ([['anna', 0, 'include'], ['anna', 1, 'exclude'], ['ben', 0, 'include'], ['ben', 2, 'include']] as [$who, $item, $verdict]) {
        $world->decide($who, $world->item($item), $verdict);
    }
    $stage = $world->review->fresh()->firstStage();
    $kept = fn (): array => array_map(
        fn (string $who): array => (array) ScreenerCounts::of($world->people[$who], $stage),
        ['anna' => 'anna', 'ben' => 'ben', 'lead' => 'lead'],
    );
    $rows = fn (): int => DB::table('person_tallies')->where('review_id', $world->review->id)->count();
    $before = $kept();
    expect($before)->toBe([
        'anna' => ['done' => 2, 'left' => 6],
        'ben' => ['done' => 2, 'left' => 6],
        'lead' => ['done' => 0, 'left' => 0],
    ])->and($rows())->toBeGreaterThan(4);
    DB::select('SELECT put_person_tallies_together(?, ?)', [$world->review->id, $stage->id]);
    expect($rows())->toBe(2)->and($kept())->toBe($before);
    // somebody who has nothing left and nothing done has no row
    foreach (['anna', 'ben'] as $who) {
        for ($i = 0; $i < 8; $i++) {
            rescue(fn () => app(RecordDecision::class)->takeBack($world->people[$who], $world->item($i)), report: false);
        }
    }
    expect($kept()['ben'])->toBe(['done' => 1, 'left' => 7]);
});

it('finds where what is kept of people’s work is not what was done', function () {
    $world = (new World())->withWards(2);
    $world->decide('anna', $world->item(0), 'include');
    $this->artisan('heron:check-states')->expectsOutputToContain('Every state is what')->assertSuccessful();
    DB::table('person_tallies')->where('review_id', $world->review->id)->update(['judged' => 3]);
    $this->artisan('heron:check-states')
        ->expectsOutputToContain('are kept 3, 1, 0 (judged, unopened, to judge), and counted 1, 1, 0')
        ->assertFailed();
    DB::table('person_tallies')->where('review_id', $world->review->id)->update(['judged' => 1]);
});

it('says in words what the reading list holds, and reads only that', function () {
    $world = (new World())->withWards(6);
    $world->deliver([['TI' => 'Naps of nurses'], ['TI' => 'Naps of doctors', 'AB' => '']], 'Elsewhere');
    $world->decide('anna', $world->item(6), 'include');
    $desk = fn (string $query) => $this->actingAs($world->people['anna'])
        ->get("/reviews/{$world->review->id}/screening/desk?{$query}")
        ->assertOk();
    $words = fn (string $query): string => preg_replace('/\s+/', ' ', strip_tags($desk($query)->getContent()));
    expect($words(''))
        ->toContain('8 at this stage → 7 not judged by me, not open')
        ->and($words('q=title:naps'))
        ->toContain('7 not judged by me, not open → 1 match title:naps take off')
        ->and($words('q=title:naps&no_abstract=1&state=included'))
        ->toContain('→ 1 match title:naps take off → 1 without an abstract take off')
        ->and($words('q=title:nothing'))
        ->toContain('0 match title:nothing')
        ->toContain('does not match what this list was narrowed down to')
        ->and($words('q=title:(naps'))
        ->toContain('Column');
    $ahead = $this->getJson("/reviews/{$world->review->id}/screening/desk/ahead?q=title:naps")->json('items.*.title');
    expect($ahead)->toBe(['Naps of doctors']);
    // what came after a share-out is in nobody's share, and said to be
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/share-outs",
        $world->terms(['anna', 'ben'], ['expected' => 7]),
    );
    $world->deliver([['TI' => 'A late one']], 'Late');
    $this->get("/reviews/{$world->review->id}/screening")->assertSeeText('2 publications wait in nobody’s share');
});
