<?php

namespace Tests\Feature\Coding;

use App\Actions\Coding\SetCodingTerms;
use App\Actions\Shared\Refused;
use App\Jobs\FullTexts\ReadPages;
use App\Models\Answer;
use App\Models\CodebookItem;
use App\Queries\Coding\CodedStudies;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Pass;
use WaryHeron\Core\Coding\Subset;

it('keeps evidence as the paper has it, with its place, and takes none from elsewhere', function () {
    $world = AtTheDesk::world(AtTheDesk::asked('People'));
    $copy = AtTheDesk::copy($world, 'In all 189 nurses were ran-', 'domised, 95 to light.', 'Later 189 nurses were asked.');
    $piece = fn (array $with): array => ['evidence' => [['copy' => $copy->id, 'page' => 1, ...$with]]];
    AtTheDesk::answers($world, 'coder', 'People', ['value' => '189', ...$piece(['quote' => '189 nurses were ran-domised'])])
        ->assertOk()
        ->assertJsonPath('evidence.0.quote', '189 nurses were randomised,')
        ->assertJsonPath('evidence.0.prefix', 'In all')
        ->assertJsonPath('evidence.0.where', 'page 1')
        ->assertJsonCount(2, 'evidence.0.boxes')
        ->assertJsonPath('standings', fn (array $all): bool => array_values($all) === ['answered']);
    // what is not among the words that were read stays as it was selected
    AtTheDesk::answers($world, 'coder', 'People', $piece(['quote' => '±', 'boxes' => [[0.1, 0.1, 0.2, 0.2]]]))
        ->assertOk()
        ->assertJsonPath('evidence.0.boxes', [[0.1, 0.1, 0.2, 0.2]])
        ->assertJsonPath('standings', fn (array $all): bool => array_values($all) === ['begun']);
    DB::table('paper_pages')->delete();
    $copy->update(['review_id' => AtTheDesk::elsewhere($world)->id, 'publication_id' => null]);
    AtTheDesk::answers($world, 'coder', 'People', ['value' => '7', ...$piece(['quote' => '189'])])->assertStatus(409);
    expect(Answer::query()->count())->toBe(2);
});

it('reads a copy in order, finds words on its pages, and has it read where it was not', function () {
    $world = AtTheDesk::world();
    $copy = AtTheDesk::copy($world, 'In all 189 nurses were ran-', 'domised, 95 to light.');
    $at = "/reviews/{$world->review->id}/coding/papers/{$copy->id}";
    $this->actingAs($world->people['observer'])
        ->getJson($at)
        ->assertJsonPath('blocks.0.text', 'In all 189 nurses were randomised, 95 to light.');
    $this->getJson("{$at}/find?q=Randomised")->assertJsonCount(1, 'found')->assertJsonPath('found.0.page', 1);
    $this->getJson("{$at}/find?q=x")->assertJsonCount(0, 'found');
    $this->actingAs($world->people['outsider'])->getJson($at)->assertNotFound();
    $this->getJson(str_replace($world->review->id, AtTheDesk::elsewhere($world)->id, $at))->assertNotFound();
    DB::table('paper_pages')->delete();
    Queue::fake();
    $this->actingAs($world->people['observer'])->getJson($at)->assertJsonPath('blocks', []);
    Queue::assertPushed(ReadPages::class, fn (ReadPages $job): bool => $job->fullTextId === $copy->id);
});

it('keeps that something is not reported as an answer, and what it is asked with', function () {
    $world = AtTheDesk::world(
        AtTheDesk::asked('Light', CodeType::Choice),
        AtTheDesk::asked('Lux', when: new AskedWhen('Light', ['lamp'])),
        AtTheDesk::asked('Bias', CodeType::YesNo, pass: Pass::InDepth),
    );
    $standings = fn (TestResponse $response): array => array_values($response->assertOk()->json('standings'));
    expect($standings(AtTheDesk::answers($world, 'coder', 'Light', ['value' => 'window', 'from_whole' => true])))->toBe([
        'answered',
        'not-asked',
        'open',
    ]);
    expect($standings(AtTheDesk::answers($world, 'coder', 'Bias', ['kind' => 'not-applicable'])))->toBe(['answered', 'not-asked', 'answered']);
    expect(CodedStudies::count($world->review->refresh()))->toBe(1);
    expect($standings(AtTheDesk::answers($world, 'coder', 'Light', ['value' => 'lamp › desk'])))->toBe(['begun', 'open', 'answered']);
    expect(CodedStudies::count($world->review->refresh()))->toBe(0);
    AtTheDesk::answers($world, 'coder', 'Lux', ['kind' => 'not-reported', 'note' => 'Only “bright”.'])
        ->assertOk()
        ->assertJsonPath('shown', 'not reported')
        ->assertJsonPath('note', 'Only “bright”.');
    expect(CodedStudies::count($world->review->refresh()))->toBe(1);
    // what is not a mapping item goes to the studies that were chosen for it
    $light = CodebookItem::query()->where('label', 'Light')->where('review_id', $world->review->id)->sole();
    app(SetCodingTerms::class)->depth($world->people['lead'], $world->review, $light, ['window', 'poem']);
    expect($world->review->refresh()->depth())->toEqual(new Subset([new AskedWhen($light->id, ['window'])], follows: true));
    $this->get("/reviews/{$world->review->id}/coding")->assertOk()->assertSeeText('2 of 2')->assertSeeText('not reported');
});

it('says nothing twice and clears without losing', function () {
    $world = AtTheDesk::world(AtTheDesk::asked('People'));
    $first = AtTheDesk::answers($world, 'coder', 'People', ['value' => '5', 'seen' => ''])->json('id');
    expect(AtTheDesk::answers($world, 'coder', 'People', ['value' => '5', 'seen' => $first])->json('id'))->toBe($first);
    AtTheDesk::answers($world, 'coder', 'People', ['value' => null, 'seen' => $first])->assertOk()->assertJsonPath('shown', '');
    expect(Answer::query()->count())->toBe(2)->and(DB::table('standing_answers')->count())->toBe(0);
    AtTheDesk::answers($world, 'coder', 'People', ['value' => '-'])->assertUnprocessable();
    AtTheDesk::answers($world, 'observer', 'People', ['value' => '5'])->assertForbidden();
    AtTheDesk::answers($world, 'coder', 'People', ['evidence' => [['quote' => 'x', 'boxes' => [['a', 1, 1, 1]]]]])->assertUnprocessable();
});

it('counts what two answered alike, shows neither the other’s, and lets people settle where they differ', function () {
    $world = AtTheDesk::world(AtTheDesk::asked('People'), AtTheDesk::asked('Light', CodeType::Choice));
    $terms = app(SetCodingTerms::class);
    $terms->by($world->people['lead'], $world->review, 2);
    $publication = $world->publication('Bed lamps');
    $desk = fn (string $who): TestResponse => $this->actingAs($world->people[$who])
        ->getJson("/reviews/{$world->review->id}/coding/{$publication->id}");
    $standing = fn (): array => DB::table('standing_answers')->pluck('value', 'how')->all();
    AtTheDesk::answers($world, 'anna', 'People', ['value' => '189', 'seen' => ''])->assertOk();
    AtTheDesk::answers($world, 'anna', 'Light', ['value' => 'lamp', 'evidence' => [['quote' => 'Lamps were tried.']]])->assertOk();
    expect($desk('ben')->json('items.0.answer.value'))->toBeNull()->and($standing())->toBe([]);
    $this->get("/reviews/{$world->review->id}/coding/differences")->assertDontSeeText('189');
    $this->get("/reviews/{$world->review->id}/log")->assertDontSeeText('189');
    AtTheDesk::answers($world, 'ben', 'People', ['value' => '189.0', 'seen' => ''])->assertOk();
    expect($standing())->toBe(['agreed' => '189'])->and(CodedStudies::count($world->review->refresh()))->toBe(0);
    // no longer alike, it counts no longer
    AtTheDesk::answers($world, 'ben', 'People', ['value' => '190'])->assertOk();
    AtTheDesk::answers($world, 'ben', 'Light', ['value' => 'window'])->assertOk();
    expect($standing())->toBe([]);
    $page = $this->get("/reviews/{$world->review->id}/coding/differences")
        ->assertSeeTextInOrder(['2 answers differ', 'People', 'another value', '189', '190', 'Agreement', '0 of 1']);
    $light = CodebookItem::query()->where('review_id', $world->review->id)->where('label', 'Light')->sole();
    $settle = fn (string $label, array $with, string $who = 'coder'): TestResponse => $this->actingAs($world->people[$who])->post(
        "/reviews/{$world->review->id}/coding/{$publication->id}/".
            CodebookItem::query()->where('review_id', $world->review->id)->where('label', $label)->value('id').'/settlement',
        $with,
    );
    $settle('People', ['value' => '188'], 'observer')->assertForbidden();
    $settle('People', ['value' => 'many'])->assertSessionHas('problem');
    $settle('People', ['value' => '188'])->assertSessionHas('notice', '“People” counts as 188.');
    $annas = Answer::query()->where('hand', $world->people['anna']->id)->where('code_id', $light->id)->sole();
    $settle('Light', ['take' => $annas->id])->assertSessionHas('notice', '“Light” counts as lamp.');
    $counted = Answer::query()->where('code_id', $light->id)->where('hand', '')->sole();
    expect($counted->pieces()[0]->selector->quote)
        ->toBe('Lamps were tried.')
        ->and(CodedStudies::count($world->review->refresh()))
        ->toBe(1)
        ->and(CodedStudies::count($world->review, $world->people['coder']->id))
        ->toBe(0);
    // what was settled stays, whatever a coder does afterwards
    AtTheDesk::answers($world, 'ben', 'People', ['value' => '189'])->assertOk();
    expect(Answer::query()->where('hand', '')->whereNull('superseded_at')->where('how', 'settled')->count())->toBe(2);
    expect(fn () => $terms->by($world->people['lead'], $world->review, 1))->toThrow(Refused::class, 'begun to code apart');
});

it('finds publications by words of their papers, as one reads them, and no longer once a copy is taken out', function () {
    $world = AtTheDesk::world();
    $copy = AtTheDesk::copy($world, 'In all 189 nurses were ran-', 'domised to glare shields.');
    $found = fn (string $query): bool => str_contains(
        $this->actingAs($world->people['observer'])->get("/reviews/{$world->review->id}/records?q=".urlencode($query))->assertOk()->getContent(),
        'Bed lamps</a>',
    );
    expect([$found('fulltext:randomised'), $found('fulltext:"glare shields"'), $found('fulltext:(glar* AND nurses) NOT title:visor')])
        ->toBe([true, true, true]);
    expect([$found('fulltext:"shields glare"'), $found('fulltext:lux'), $found('randomised')])->toBe([false, false, false]);
    // made anew by a command, from the files themselves
    DB::table('paper_pages')->delete();
    expect($found('fulltext:glare'))->toBeFalse();
    $this->artisan('heron:papers')->expectsOutputToContain('1 paper')->assertSuccessful();
    expect($found('fulltext:glare'))->toBeTrue();
    $copy->update(['taken_out_at' => now()]);
    expect($found('fulltext:glare'))->toBeFalse();
});
