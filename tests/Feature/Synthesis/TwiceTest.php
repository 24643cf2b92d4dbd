<?php

namespace Tests\Feature\Synthesis;

use App\Actions\Coding\SetCodingTerms;
use App\Models\LogEntry;
use App\Models\Result;
use Illuminate\Testing\TestResponse;

/** A review whose studies two code apart. */
function apart(string ...$authors): AtSynthesis
{
    $at = AtSynthesis::with(...$authors);
    app(SetCodingTerms::class)->by($at->world->people['lead'], $at->world->review, 2);
    $at->world->review->refresh();

    return $at;
}

/** @param  list<int>  $counts  events and people of each group */
function counted(AtSynthesis $at, string $who, array $counts, array $with = [], string $row = ''): TestResponse
{
    $given = array_combine(['e1', 'n1', 'e2', 'n2'], array_map(strval(...), $counts));

    return $at->takes($who, 'Aster', ['given' => $given, 'days' => 28, ...$with], $row)->assertOk();
}

function settled(AtSynthesis $at, string $who, array $given): TestResponse
{
    $id = $at->world->publication('Lamps of Aster')->id;

    return test()->actingAs($at->world->people[$who])->post(
        "/reviews/{$at->world->review->id}/coding/{$id}/results/settlement",
        $given,
    );
}

function differences(AtSynthesis $at, string $who = 'coder'): TestResponse
{
    return test()->actingAs($at->world->people[$who])->get("/reviews/{$at->world->review->id}/coding/differences/numbers");
}

it('counts at once what two took alike, with the evidence of both, and no more when one changes it', function () {
    $at = apart('Aster');
    counted($at, 'coder', [7, 86, 15, 85], ['evidence' => ['e1' => [['quote' => '7 of 86']]]]);
    expect($at->results())->toBe([]);
    $row = counted($at, 'anna', [7, 86, 15, 85], ['evidence' => ['e1' => [['quote' => 'seven events']]]])->json('row');
    expect($at->results())->toHaveCount(1)
        ->and($at->results()[0]->how)->toBe('agreed')
        ->and(array_column($at->results()[0]->evidence['e1'], 'quote'))->toBe(['7 of 86', 'seven events']);
    // the same again changes nothing
    counted($at, 'anna', [7, 86, 15, 85], [], $row);
    expect($at->results())->toHaveCount(1);
    counted($at, 'anna', [8, 86, 15, 85], [], $row);
    expect($at->results())->toBe([]);
    counted($at, 'anna', [7, 86, 15, 85], [], $row);
    expect($at->results())->toHaveCount(1);
});

it('shows nobody what another took before they have', function () {
    $at = apart('Aster');
    counted($at, 'coder', [7, 86, 15, 85]);
    $id = $at->world->publication('Lamps of Aster')->id;
    $url = "/reviews/{$at->world->review->id}/coding/{$id}/results";
    $this->actingAs($at->world->people['anna'])->getJson($url)->assertJsonPath('rows', []);
    differences($at, 'anna')->assertDontSee('Cleo Varga')->assertSee('Nothing is open');
    expect(LogEntry::query()->where('action', 'result.added')->sole()->details)->toBe([]);
    // and nobody changes another's
    $row = Result::query()->sole()->row_id;
    $at->takes('anna', 'Aster', ['given' => ['e1' => '9']], $row)->assertConflict();
});

it('puts numbers that differ side by side, and takes those of one', function () {
    $at = apart('Aster');
    $mine = counted($at, 'coder', [7, 86, 15, 85])->json('row');
    $hers = counted($at, 'anna', [7, 86, 51, 85])->json('row');
    differences($at)->assertSee('1 result is open')->assertSeeInOrder(['They differ in: numbers', '15', '51']);
    settled($at, 'observer', ['rows' => [$mine, $hers], 'take' => $hers])->assertForbidden();
    settled($at, 'coder', ['rows' => [$mine, $hers], 'take' => $mine])->assertRedirect();
    expect($at->results()[0]->given['e2'])->toBe('15')
        ->and($at->results()[0]->how)->toBe('settled')
        ->and(Result::query()->where('hand', '<>', '')->whereNull('superseded_at')->count())->toBe(2);
    differences($at)->assertSee('Nothing is open')->assertSee('0 of 1');
    // twice is once
    settled($at, 'anna', ['rows' => [$mine, $hers], 'take' => $hers])->assertSessionHas('problem');
    expect($at->results())->toHaveCount(1);
    // what a person settled stays, whatever the coders do afterwards
    counted($at, 'anna', [9, 86, 15, 85], [], $hers);
    expect($at->results()[0]->given['e2'])->toBe('15');
});

it('takes other numbers than either, of the fields that the form has', function () {
    $at = apart('Aster');
    $rows = [counted($at, 'coder', [7, 86, 15, 85])->json('row'), counted($at, 'anna', [7, 86, 51, 85])->json('row')];
    settled($at, 'coder', ['rows' => $rows, 'given' => ['e1' => '7', 'n1' => '86', 'e2' => '16', 'n2' => '85', 'x' => '1']]);
    expect($at->results()[0]->given)->toBe(['e1' => '7', 'e2' => '16', 'n1' => '86', 'n2' => '85']);
});

it('leaves it to the lead what becomes of a result that only one has taken', function (string $does, int $counting) {
    $at = apart('Aster');
    foreach (['coder', 'anna'] as $who) {
        counted($at, $who, [7, 86, 15, 85]);
    }
    $alone = counted($at, 'coder', [9, 86, 16, 85], ['days' => 90])->json('row');
    differences($at, 'anna')->assertSee('Cleo Varga has taken a result')->assertDontSee('It counts');
    differences($at, 'lead')->assertSeeInOrder(['only one has taken it', '90', '16']);
    settled($at, 'anna', ['rows' => [$alone], 'take' => $alone])->assertForbidden();
    settled($at, 'lead', ['rows' => [$alone], ...($does === 'leave' ? ['leave' => 1] : ['take' => $alone])])->assertRedirect();
    expect($at->results())->toHaveCount($counting);
    differences($at, 'lead')->assertSee('Nothing is open');
})->with([['take', 2], ['leave', 1]]);

it('pools what counts, and nothing twice', function () {
    $at = apart('Aster');
    foreach (['coder', 'anna'] as $who) {
        counted($at, $who, [7, 86, 15, 85]);
    }
    $at->at("/analyses/{$at->analysis()->id}")->assertOk()->assertSee('7/86')->assertSeeText('1 study');
    expect(fn () => app(SetCodingTerms::class)->by($at->world->people['lead'], $at->world->review, 1))
        ->toThrow(\App\Actions\Shared\Refused::class);
});
