<?php

namespace Tests\Feature\Coding;

use App\Actions\Coding\ProposeAnswers;
use App\Actions\FullTexts\LinkReports;
use App\Models\Answer;
use App\Models\CodingLead;
use App\Models\FullText;
use App\Models\Publication;
use App\Models\Study;
use App\Queries\Coding\CodedReports;
use App\Queries\Coding\CodedStudies;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;

/** Three included reports, of which "Bed lamps" and "Bed lamps, a year later" tell of one study. */
function threeReports(): World
{
    $world = new World();
    $world->deliver([
        ['TI' => 'Bed lamps', 'AU' => 'Haldor, P', 'PY' => 2018, 'AB' => 'Lamps were tried.'],
        ['TI' => 'Bed lamps, a year later', 'AU' => 'Haldor, P', 'PY' => 2020, 'AB' => 'Lamps again.'],
        ['TI' => 'Desk lamps', 'AU' => 'Lund, R', 'PY' => 2019, 'AB' => 'Others.'],
    ]);
    foreach ([0, 1, 2] as $i) {
        foreach (['anna', 'ben'] as $who) {
            $world->decide($who, $world->item($i), 'include');
        }
    }
    app(\App\Actions\Coding\ChangeCodebook::class)->addAll($world->people['lead'], $world->review, [AtTheDesk::asked('People'), AtTheDesk::asked('Wards')]);

    return $world;
}

function codes(World $world, string $title, string $label, string $value): TestResponse
{
    $code = $world->review->codes()->where('label', $label)->sole();

    return test()->actingAs($world->people['coder'])
        ->putJson("/reviews/{$world->review->id}/coding/{$world->publication($title)->id}/{$code->id}", ['value' => $value]);
}

function linked(World $world): Study
{
    $reports = Publication::query()->where('title', 'like', 'Bed lamps%')->pluck('id')->all();

    return app(LinkReports::class)->execute($world->people['lead'], $world->review, array_values($reports));
}

/** @return array<string, mixed> answers that stand, by title and item */
function standing(): array
{
    return Answer::query()->whereNull('superseded_at')->join('codes', 'codes.id', '=', 'answers.code_id')
        ->join('publications', 'publications.id', '=', 'answers.publication_id')
        ->get(['publications.title', 'codes.label', 'answers.value'])
        ->mapWithKeys(fn ($one): array => ["{$one->title}: {$one->label}" => $one->value])
        ->all();
}

it('codes and counts a study once, with the report that was coded most, and brings what only others were answered', function () {
    $world = threeReports();
    codes($world, 'Bed lamps', 'Wards', '3')->assertOk();
    codes($world, 'Bed lamps, a year later', 'People', '64')->assertOk();
    codes($world, 'Bed lamps, a year later', 'Wards', '4')->assertOk();
    expect(CodedReports::count($world->review))->toBe(3);
    $study = linked($world);
    $later = $world->publication('Bed lamps, a year later');

    expect($study->refresh()->carried_by)->toBe($later->id)
        ->and(CodedReports::count($world->review))->toBe(2)
        ->and(CodedStudies::count($world->review))->toBe(1)
        ->and(standing())->toBe(['Bed lamps: Wards' => 3, 'Bed lamps, a year later: People' => 64, 'Bed lamps, a year later: Wards' => 4]);
    $this->get("/reviews/{$world->review->id}/coding")->assertSeeText('2 included studies in 3 reports')->assertSee('and 1 more')->assertSee('Bed lamps, a year later');
    codes($world, 'Bed lamps', 'People', '60')->assertStatus(409);
    $this->get("/reviews/{$world->review->id}/coding/{$world->publication('Bed lamps')->id}")
        ->assertSee('is coded with another of its reports')
        ->assertSee('Haldor 2020');
});

it('is coded with another report when told to, and takes along what that one was not answered', function () {
    $world = threeReports();
    codes($world, 'Bed lamps, a year later', 'People', '64')->assertOk();
    codes($world, 'Bed lamps, a year later', 'Wards', '4')->assertOk();
    codes($world, 'Bed lamps', 'Wards', '3')->assertOk();
    linked($world);
    $first = $world->publication('Bed lamps');
    $this->post("/reviews/{$world->review->id}/coding/{$first->id}/carries")->assertSessionHas('notice');

    expect(standing())->toMatchArray(['Bed lamps: People' => 64, 'Bed lamps: Wards' => 3, 'Bed lamps, a year later: Wards' => 4])
        ->and(CodedReports::ids($world->review))->toContain($first->id)
        ->and(Answer::query()->where('publication_id', $first->id)->orderByDesc('id')->first()->user_id)->toBe($world->people['coder']->id);
    codes($world, 'Bed lamps', 'People', '65')->assertOk();
    $this->actingAs($world->people['observer'])->post("/reviews/{$world->review->id}/coding/{$first->id}/carries")->assertForbidden();
    $alone = $world->publication('Desk lamps');
    $this->actingAs($world->people['coder'])->post("/reviews/{$world->review->id}/coding/{$alone->id}/carries")->assertNotFound();
});

it('falls back on another report where the one it was coded with is no longer included', function () {
    $world = threeReports();
    codes($world, 'Bed lamps, a year later', 'People', '64');
    linked($world);
    $world->item(1)->update(['state' => 'excluded']);

    expect(CodedReports::ids($world->review))->toContain($world->publication('Bed lamps')->id)
        ->and(CodedReports::count($world->review))->toBe(2);
    $world->item(1)->update(['state' => 'included']);
    app(LinkReports::class)->takeOut($world->people['lead'], $world->publication('Bed lamps, a year later'));
    expect(CodedReports::count($world->review))->toBe(3);
});

it('finds leads in the other reports of a study, and says in which, at the desk and in the file', function () {
    $world = threeReports();
    linked($world);
    $carrying = Publication::query()->whereKey(Study::query()->sole()->carried_by)->sole();
    $other = Publication::query()->where('title', 'like', 'Bed lamps%')->whereKeyNot($carrying->id)->sole();
    $copy = AtTheDesk::copy($world, 'Results', 'In all, 64 people took part on 3 wards.');
    FullText::query()->whereKey($copy->id)->update(['publication_id' => $other->id]);
    app(ProposeAnswers::class)->execute($world->review, $carrying);
    $lead = CodingLead::query()->where('publication_id', $carrying->id)->where('quote', 'like', '%64 people%')->first();

    expect($lead?->reason)->toStartWith("In {$other->called()}, another report")
        ->and($lead?->full_text_id)->toBe($copy->id);
    $code = $world->review->codes()->where('label', 'People')->sole();
    $this->actingAs($world->people['coder'])->putJson("/reviews/{$world->review->id}/coding/{$carrying->id}/{$code->id}", [
        'value' => '64',
        'evidence' => [['quote' => '64 people took part', 'copy' => $copy->id, 'page' => 1]],
    ])->assertOk()->assertJsonPath('evidence.0.where', "{$other->called()}, page 1");
    $file = $this->get("/reviews/{$world->review->id}/exports/coding.csv?parts[]=place")->assertOk()->baseResponse->getFile();
    expect((string) file_get_contents($file->getPathname()))->toContain("{$other->called()}, page 1");
});
