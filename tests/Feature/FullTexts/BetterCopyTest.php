<?php

namespace Tests\Feature\FullTexts;

use App\Models\Answer;
use App\Models\FullText;
use Illuminate\Testing\TestResponse;
use Tests\Feature\Coding\AtTheDesk;
use Tests\Feature\World;

/** An answer with evidence on page 1 of the first of two copies, of which the second is set anew. */
function twoCopies(): array
{
    $world = AtTheDesk::world(AtTheDesk::asked('People'), AtTheDesk::asked('Wards'));
    $older = AtTheDesk::copy($world, 'Methods', 'In all 189 nurses were ran-', 'domised to lamps or none.', 'There were 4 wards in Ulverton.');
    $cover = ['A cover sheet of the journal.', ...array_fill(0, 30, 'A line of another matter.')];
    $better = AtTheDesk::copy($world, ...[...$cover, 'In all 189 nurses were randomised to lamps or none.']);
    $rest = fn (string $label, string $value, string $quote): TestResponse => AtTheDesk::answers($world, 'coder', $label, [
        'value' => $value,
        'evidence' => [['quote' => $quote, 'copy' => $older->id, 'page' => 1]],
    ])->assertOk();
    $rest('People', '189', '189 nurses were ran-domised');
    $rest('Wards', '4', '4 wards in Ulverton');

    return [$world, $older, $better];
}

/** @return array<string, mixed> the evidence of an item, as the desk shows it */
function deskEvidence(World $world, string $label): array
{
    $desk = test()->actingAs($world->people['coder'])
        ->getJson("/reviews/{$world->review->id}/coding/{$world->publication('Bed lamps')->id}")
        ->assertOk()
        ->json();

    return collect($desk['items'])->firstWhere('label', $label)['answer']['evidence'][0];
}

it('finds evidence again in a better copy, lists what is not there, and changes nothing that was given', function () {
    [$world, $older, $better] = twoCopies();
    $before = Answer::query()->orderBy('id')->get()->toArray();
    expect(deskEvidence($world, 'People')['copy'])->toBe($older->id);
    $this->actingAs($world->people['specialist'])
        ->postJson("/reviews/{$world->review->id}/full-texts/files/{$better->id}/better")
        ->assertOk()
        ->assertJsonPath('said', 'It is the better copy. 1 of 2 pieces of evidence were found again in it; all are kept.');

    expect(deskEvidence($world, 'People'))->toMatchArray(['copy' => $better->id, 'quote' => '189 nurses were randomised'])
        ->and(deskEvidence($world, 'People')['boxes'])->not->toBe([])
        ->and(deskEvidence($world, 'Wards'))->toMatchArray(['copy' => $older->id, 'where' => 'page 1 of the older copy'])
        ->and(Answer::query()->orderBy('id')->get()->toArray())->toBe($before);
    $list = "/reviews/{$world->review->id}/full-texts/files/{$older->id}/evidence";
    $this->get($list)
        ->assertOk()
        ->assertSee('1 of 2 found again')
        ->assertSee('not found again')
        ->assertSee('4 wards in Ulverton');
    $this->actingAs($world->people['specialist'])
        ->post("/reviews/{$world->review->id}/full-texts/files/{$older->id}/use-again")
        ->assertRedirect();
    expect(deskEvidence($world, 'People')['copy'])->toBe($older->id);
    $this->get($list)->assertSee('a copy that is in use');
});

it('shows a blinded coder only what they rest on themselves', function () {
    [$world, $older, $better] = twoCopies();
    $world->review->update(['coded_by' => 2]);
    AtTheDesk::answers($world, 'anna', 'People', [
        'value' => '95',
        'evidence' => [['quote' => 'lamps or none', 'copy' => $older->id, 'page' => 1]],
    ])->assertOk();
    $list = fn (string $who): TestResponse => $this->actingAs($world->people[$who])->get("/reviews/{$world->review->id}/full-texts/files/{$older->id}/evidence");

    $list('anna')->assertSee('lamps or none');
    $list('coder')->assertDontSee('lamps or none');
});

it('takes only a read copy of the same publication, and none that was itself replaced', function () {
    [$world, $older, $better] = twoCopies();
    $url = fn (FullText $copy): string => "/reviews/{$world->review->id}/full-texts/files/{$copy->id}/better";
    $this->actingAs($world->people['observer'])->postJson($url($better))->assertForbidden();
    $better->update(['state' => 'scan']);
    $this->actingAs($world->people['specialist'])->postJson($url($better))->assertStatus(409);
    $better->update(['state' => 'read']);
    $this->postJson($url($better))->assertOk();
    FullText::query()->whereKey($better->id)->update(['replaced_by' => null]);
    $third = AtTheDesk::copy($world, 'In all 189 nurses were randomised to lamps or none. And more.');
    $this->postJson($url($third))->assertOk();
    expect(FullText::query()->whereKey($better->id)->value('replaced_by'))->toBe($third->id)
        ->and(deskEvidence($world, 'People')['copy'])->toBe($third->id);
    $this->postJson($url($older))->assertStatus(409);
});
