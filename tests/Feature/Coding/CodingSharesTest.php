<?php

namespace Tests\Feature\Coding;

use App\Actions\Coding\ChangeCodebook;
use App\Models\LogEntry;
use App\Queries\Coding\CodedReports;
use App\Queries\Coding\CodingShares;
use App\Queries\Shared\Waiting;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;

/** Six included studies and one item; one of them is by Ben. */
function toShare(int $codedBy = 1): World
{
    $world = new World();
    $names = ['A lamp', 'B lamp', 'C lamp', 'D lamp', 'E lamp', 'F lamp'];
    $world->deliver(array_map(fn (string $title): array => ['TI' => $title, 'AU' => 'Haldor, P'], $names));
    foreach (array_keys($names) as $i) {
        foreach (['anna', 'ben'] as $who) {
            $world->decide($who, $world->item($i), 'include');
        }
    }
    app(ChangeCodebook::class)->addAll($world->people['lead'], $world->review, [AtTheDesk::asked('People')]);
    $world->review->update(['coded_by' => $codedBy]);

    return $world;
}

/** @param  array<string, float>  $weights  by who */
function shares(World $world, array $weights, ?int $expected = null): TestResponse
{
    $people = array_map(fn (string $who): string => $world->people[$who]->id, array_keys($weights));

    return test()->actingAs($world->people['lead'])->post("/reviews/{$world->review->id}/coding-shares", [
        'people' => $people,
        'weight' => array_combine($people, array_values($weights)),
        'seed' => 7,
        'expected' => $expected ?? CodedReports::count($world->review) - count(CodingShares::byStudy($world->review)),
    ]);
}

/** @return array<string, int> studies by who */
function sharesOf(World $world): array
{
    $names = array_flip(array_map(fn ($person): string => $person->id, $world->people));

    return DB::table('coding_shares')->selectRaw('user_id, count(*) AS n')->groupBy('user_id')->pluck('n', 'user_id')
        ->mapWithKeys(fn (int $n, string $id): array => [$names[$id] => $n])->sortKeys()->all();
}

function membershipOf(World $world, string $who): string
{
    return $world->review->memberships()->where('user_id', $world->people[$who]->id)->sole()->id;
}

it('shares studies out by weight, tells people, and shows each their own', function () {
    $world = toShare();
    $coding = "/reviews/{$world->review->id}";
    $this->actingAs($world->people['lead'])
        ->get("{$coding}/coding-shares?".http_build_query(['people' => [$world->people['anna']->id, $world->people['coder']->id], 'weight' => [$world->people['anna']->id => 2, $world->people['coder']->id => 1]]))
        ->assertOk()
        ->assertSee('Share them out so');
    expect(sharesOf($world))->toBe([]);
    shares($world, ['anna' => 2, 'coder' => 1])->assertSessionHas('notice');

    expect(sharesOf($world))->toBe(['anna' => 4, 'coder' => 2])
        ->and(Waiting::for($world->people['coder'], $world->review->refresh())->toCode)->toBe(2)
        ->and(Waiting::for($world->people['ben'], $world->review)->toCode)->toBe(0)
        ->and(DB::table('notifications')->where('data', 'like', '%studies to code%')->count())->toBe(2)
        ->and(LogEntry::query()->where('action', 'coding.share')->count())->toBe(1);
    $this->actingAs($world->people['coder'])->get("{$coding}/coding?whose=mine")->assertSee('2 of the included');
    shares($world, ['anna' => 1])->assertSessionHas('problem');
    $mine = DB::table('coding_shares')->where('user_id', $world->people['coder']->id)->pluck('publication_id')->all();
    $desk = $this->actingAs($world->people['coder'])->get("{$coding}/coding/{$mine[0]}")->assertOk();
    $desk->assertSee('of 2</span>', false);
});

it('gives each study two coders where two code, nobody twice, and balances the pairs', function () {
    $world = toShare(2);
    shares($world, ['anna' => 1, 'ben' => 1, 'coder' => 1])->assertSessionHas('notice');

    expect(sharesOf($world))->toBe(['anna' => 4, 'ben' => 4, 'coder' => 4])
        ->and(array_values(array_unique(array_map(count(...), CodingShares::byStudy($world->review)))))->toBe([2]);
    $pairs = array_count_values(array_map(fn (array $people): string => implode(' ', $people), CodingShares::byStudy($world->review)));
    expect(array_values($pairs))->toBe([2, 2, 2]);
});

it('hands on what is not coded, takes back, and keeps what was coded', function () {
    $world = toShare();
    shares($world, ['coder' => 1]);
    $code = $world->review->codes()->sole();
    $first = CodedReports::ids($world->review)[0];
    $this->actingAs($world->people['coder'])->putJson("/reviews/{$world->review->id}/coding/{$first}/{$code->id}", ['value' => '5'])->assertOk();
    $url = "/reviews/{$world->review->id}/coding-shares/".membershipOf($world, 'coder');
    $this->actingAs($world->people['lead'])->post("{$url}/hand-on", ['to' => [$world->people['anna']->id, $world->people['ben']->id]])->assertSessionHas('notice');
    expect(sharesOf($world)['coder'])->toBe(1)
        ->and(sharesOf($world)['anna'] + sharesOf($world)['ben'])->toBe(5);
    $this->post("{$url}/hand-on", ['to' => [$world->people['anna']->id]])->assertSessionHas('problem');
    $this->delete("/reviews/{$world->review->id}/coding-shares/".membershipOf($world, 'anna'))->assertSessionHas('notice');
    expect(sharesOf($world))->not->toHaveKey('anna')
        ->and(collect(CodingShares::standing($world->review))->firstWhere('name', $world->people['coder']->name))->toMatchArray(['given' => 1, 'coded' => 1]);
});

it('gives nobody a paper of their own, refuses what changed meanwhile, and lets only the lead share out', function () {
    $world = toShare();
    $world->people['anna']->update(['name' => 'Pia Haldor']);
    shares($world, ['anna' => 1])->assertSessionHas('problem');
    expect(sharesOf($world))->toBe([]);
    shares($world, ['anna' => 1, 'ben' => 1])->assertSessionHas('notice');
    expect(sharesOf($world))->toBe(['ben' => 6]);
    DB::table('coding_shares')->delete();
    shares($world, ['ben' => 1], expected: 5)->assertSessionHas('problem');
    $this->actingAs($world->people['ben'])->post("/reviews/{$world->review->id}/coding-shares", ['expected' => 6])->assertForbidden();
    $this->get("/reviews/{$world->review->id}/coding-shares")->assertOk()->assertDontSee('Show what it would be');
});
