<?php

namespace Tests\Feature\Synthesis;

use App\Actions\Coding\ChangeParts;
use App\Models\LogEntry;
use App\Models\Result;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\Coding\AtTheDesk;
use WaryHeron\Core\Screening\ItemState;

it('takes a result with the words each number rests on, and says what is used of it', function () {
    $at = AtSynthesis::with('Aster');
    $evidence = ['e1' => [['quote' => '7 of 86 in the light group']]];
    $at->takes('coder', 'Aster', ['given' => ['e1' => '7', 'n1' => '86', 'e2' => '15', 'n2' => '85'], 'evidence' => $evidence, 'days' => 28])
        ->assertOk()
        ->assertJsonPath('groups', ['7/86', '15/85'])
        ->assertJsonPath('effects.0.measure', 'relative risk')
        ->assertJsonPath('effects.0.shown', '0.46 (0.20–1.07)')
        ->assertJsonPath('evidence.e1.0.quote', '7 of 86 in the light group')
        ->assertJsonPath('checks', [])
        ->assertJsonPath('by', 'Cleo Varga');
    expect(LogEntry::query()->where('action', 'result.added')->count())->toBe(1);
});

it('shows conversions step by step, and says what looks wrong', function () {
    $at = AtSynthesis::with('Aster');
    $means = fn (array $given, string $form): array => [
        'outcome' => $at->sleepy->id, 'scale' => 'nine-point scale', 'form' => $form, 'given' => $given,
    ];
    $at->takes('coder', 'Aster', $means(['n1' => '49', 'm1' => '4.9', 'se1' => '0.2', 'n2' => '50', 'm2' => '12.4', 'se2' => '0.2'], 'mean-se'))
        ->assertOk()
        ->assertJsonPath('steps.0.result', '1.4')
        ->assertJsonPath('checks', ['The mean of the comparator lies outside the scale.']);
    $at->takes('coder', 'Aster', $means(['n1' => '49', 'm1' => 'about 5'], 'mean-sd'))
        ->assertOk()
        ->assertJsonPath('effects', [])
        ->assertJsonPath('checks.0', '“about 5” is no number.');
});

it('keeps every version of a row, overwrites nobody unseen, and lets a row be withdrawn', function () {
    $at = AtSynthesis::with('Aster');
    $row = strtolower((string) Str::ulid());
    $first = $at->takes('coder', 'Aster', ['given' => ['e1' => '7'], 'seen' => ''], $row)->json('id');
    $second = $at->takes('anna', 'Aster', ['given' => ['e1' => '8'], 'seen' => $first], $row)->assertOk()->json('id');
    $at->takes('coder', 'Aster', ['given' => ['e1' => '9'], 'seen' => $first], $row)
        ->assertStatus(409)
        ->assertJsonPath('message', fn (string $words): bool => str_contains($words, 'Anna Kolbe changed this row meanwhile'));
    expect($at->results()[0]->given)->toBe(['e1' => '8']);
    $at->takes('coder', 'Aster', ['given' => ['e1' => '8'], 'withdrawn' => true, 'seen' => $second], $row)->assertOk();
    expect($at->results())->toBe([])->and(Result::query()->where('row_id', $row)->count())->toBe(3);
    expect(fn () => DB::table('results')->where('row_id', $row)->update(['given' => '{}']))->toThrow(\Exception::class);
});

it('takes nothing that does not belong together', function () {
    $at = AtSynthesis::with('Aster', 'Birk');
    $at->takes('coder', 'Aster', ['form' => 'mean-sd'])->assertStatus(422)->assertJsonValidationErrors('form');
    $at->takes('coder', 'Aster', ['outcome' => 'nothing'])->assertJsonValidationErrors('outcome');
    $at->takes('coder', 'Aster', ['comparison' => ''])->assertJsonValidationErrors('comparison');
    $row = $at->counts('Aster', 1, 10, 2, 10)->json('row');
    $at->takes('coder', 'Birk', ['given' => ['e1' => '1']], $row)->assertStatus(409);
    // what the form does not ask for is not kept
    $at->takes('coder', 'Aster', ['given' => ['e1' => '1', 'sd1' => '3', 'x' => '4']])->assertJsonPath('given', ['e1' => '1']);
    $at->takes('observer', 'Aster', ['given' => ['e1' => '1']])->assertForbidden();
    $at->takes('outsider', 'Aster', ['given' => ['e1' => '1']])->assertNotFound();
    $foreign = str_replace($at->world->review->id, AtTheDesk::elsewhere($at->world)->id, "/reviews/{$at->world->review->id}/coding/{$at->world->publication('Lamps of Aster')->id}/results");
    $this->actingAs($at->world->people['outsider'])->getJson($foreign)->assertNotFound();
    $at->world->item(1)->update(['state' => ItemState::Excluded]);
    $at->takes('coder', 'Birk', ['given' => ['e1' => '1']])->assertStatus(409);
});

it('defines outcomes, groups and comparisons once, by the lead', function () {
    $at = AtSynthesis::with('Aster');
    $to = "/reviews/{$at->world->review->id}/synthesis";
    $this->actingAs($at->world->people['lead'])
        ->post("{$to}/outcomes", ['name' => 'Mood', 'kind' => 'means', 'better' => 'higher', 'scales' => "visual scale; 0 to 100\nfaces; 1–7; reversed"])
        ->assertSessionHasNoErrors();
    $at->at('/outcomes')->assertSee('Mood')->assertSee('faces, 1 to 7, runs the other way')->assertDontSee('Define the outcome');
    $this->actingAs($at->world->people['lead'])
        ->post("{$to}/outcomes", ['name' => 'Mood', 'kind' => 'means', 'scales' => 'upside down; 7 to 1'])
        ->assertSessionHasErrors('scales');
    $this->post("{$to}/comparisons", ['intervention' => $at->comparison->intervention_id, 'comparator' => $at->comparison->comparator_id])
        ->assertSessionHas('problem');
    $this->actingAs($at->world->people['coder'])->post("{$to}/outcomes", ['name' => 'X', 'kind' => 'means'])->assertForbidden();
    // a scale that runs the other way turns signs, and says so
    $mood = $at->world->review->outcomes()->where('name', 'Mood')->sole();
    $given = ['n1' => '30', 'm1' => '5', 'sd1' => '1.2', 'n2' => '30', 'm2' => '4', 'sd2' => '1.3'];
    $at->takes('coder', 'Aster', ['outcome' => $mood->id, 'form' => 'mean-sd', 'scale' => 'faces', 'given' => $given])
        ->assertJsonPath('effects.0.shown', fn (string $shown): bool => str_starts_with($shown, '−1.00'))
        ->assertJsonPath('steps.0.what', 'direction');
});

it('offers rows of the paper’s tables that name the outcome and the groups, until they are taken', function () {
    $at = AtSynthesis::with('Aster');
    AtTheDesk::copyOf(
        $at->world,
        'Lamps of Aster',
        'Table 2. What came out',
        "Outcome\tBright light (n = 86)\tDim light (n = 85)",
        "Near misses\t7\t15",
        "Headache\t3\t2",
        "Sleepiness, mean (SD)\t4.1 (1.6)\t5.0 (1.8)",
    );
    $id = $at->world->publication('Lamps of Aster')->id;
    $url = "/reviews/{$at->world->review->id}/coding/{$id}/results";
    $offers = $this->actingAs($at->world->people['coder'])->getJson($url)->assertOk()->json('offers');
    expect(array_column($offers, 'given'))->toBe([
        ['e1' => '7', 'n1' => '86', 'e2' => '15', 'n2' => '85'],
        ['n1' => '86', 'm1' => '4.1', 'sd1' => '1.6', 'n2' => '85', 'm2' => '5.0', 'sd2' => '1.8'],
    ])
        ->and($offers[0]['evidence']['e2'][0])->toMatchArray(['quote' => 'Near misses 7 15', 'where' => 'page 1'])
        ->and($offers[0]['evidence']['n2'][0]['quote'])->toContain('Dim light (n = 85)');
    // taken as it is offered, each number has its place in the paper
    $taken = $at->takes('coder', 'Aster', array_intersect_key($offers[0], ['form' => 1, 'given' => 1, 'evidence' => 1]))->assertOk();
    expect($taken->json('evidence.e2.0.boxes'))->not->toBe([])
        ->and(array_column($this->getJson($url)->json('offers'), 'form'))->toBe(['mean-sd']);
});

it('offers nothing where a study’s own name for a group does not say which it is, and finds it where it does', function () {
    $at = AtSynthesis::with('Aster');
    AtTheDesk::copyOf($at->world, 'Lamps of Aster', 'Table', "Outcome\tWhite ward\tAmber ward", "Near misses\t7/86\t15/85");
    $publication = $at->world->publication('Lamps of Aster');
    $url = "/reviews/{$at->world->review->id}/coding/{$publication->id}/results";
    $this->actingAs($at->world->people['coder'])->getJson($url)->assertJsonPath('offers', []);
    foreach (['White ward' => 'intervention', 'Amber ward' => 'comparator'] as $name => $arm) {
        app(ChangeParts::class)->name($at->world->people['coder'], $publication, 'arm', $name, $at->comparison->{$arm});
    }
    $this->getJson($url)->assertJsonPath('offers.0.given', ['e1' => '7', 'n1' => '86', 'e2' => '15', 'n2' => '85']);
});
