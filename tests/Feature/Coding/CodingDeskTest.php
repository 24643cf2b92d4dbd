<?php

namespace Tests\Feature\Coding;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\SetCodingTerms;
use App\Actions\FullTexts\KeepPages;
use App\Actions\Shared\Refused;
use App\Actions\Team\CreateReview;
use App\Jobs\FullTexts\ReadPages;
use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\FullText;
use App\Models\Review;
use App\Queries\Coding\CodedStudies;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Tests\Feature\World;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Pass;
use WaryHeron\Standins\Locker\PlainPdf;

/** A review with one included publication, a copy of it and these items in the codebook. */
function atTheDesk(Entry ...$entries): World
{
    $world = new World();
    $world->deliver([['TI' => 'Bed lamps', 'AB' => 'Lamps were tried.']]);
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, $world->item(), 'include');
    }
    app(ChangeCodebook::class)->addAll($world->people['lead'], $world->review, $entries);

    return $world;
}

function asked(string $label, CodeType $type = CodeType::Number, ?AskedWhen $when = null, Pass $pass = Pass::Mapping): Entry
{
    $options = $type->hasOptions() ? ['lamp', 'lamp › desk', 'window'] : [];

    return new Entry($label, $label, new Code($type, $options), pass: $pass, when: $when);
}

function copyOf(World $world, string ...$lines): FullText
{
    $pdf = PlainPdf::of(array_map(fn (string $line): array => [12, $line], $lines));
    Storage::put(FullText::pathOf(hash('sha256', $pdf)), $pdf);
    $copy = FullText::query()->create([
        'review_id' => $world->review->id,
        'publication_id' => $world->publication('Bed lamps')->id,
        'hash' => hash('sha256', $pdf),
        'name' => 'lamps.pdf',
        'bytes' => strlen($pdf),
        'pages' => 1,
        'origin' => 'person',
        'state' => 'read',
        'user_id' => $world->people['lead']->id,
    ]);
    app(KeepPages::class)->execute($copy);

    return $copy;
}

/** A review of somebody else’s. */
function elsewhere(World $world): Review
{
    return app(CreateReview::class)->execute($world->people['outsider'], 'Lamps by day', 'Do they?');
}

function answers(World $world, string $who, string $label, array $given): TestResponse
{
    $code = CodebookItem::query()->where('review_id', $world->review->id)->where('label', $label)->sole();
    $publication = $world->publication('Bed lamps');

    return test()
        ->actingAs($world->people[$who])
        ->putJson("/reviews/{$world->review->id}/coding/{$publication->id}/{$code->id}", $given);
}

it('keeps evidence as the paper has it, with its place, and takes none from elsewhere', function () {
    $world = atTheDesk(asked('People'));
    $copy = copyOf($world, 'In all 189 nurses were ran-', 'domised, 95 to light.', 'Later 189 nurses were asked.');
    $piece = fn (array $with): array => ['evidence' => [['copy' => $copy->id, 'page' => 1, ...$with]]];
    answers($world, 'coder', 'People', ['value' => '189', ...$piece(['quote' => '189 nurses were ran-domised'])])
        ->assertOk()
        ->assertJsonPath('evidence.0.quote', '189 nurses were randomised,')
        ->assertJsonPath('evidence.0.prefix', 'In all')
        ->assertJsonPath('evidence.0.where', 'page 1')
        ->assertJsonCount(2, 'evidence.0.boxes')
        ->assertJsonPath('standings', fn (array $all): bool => array_values($all) === ['answered']);
    // what is not among the words that were read stays as it was selected
    answers($world, 'coder', 'People', $piece(['quote' => '±', 'boxes' => [[0.1, 0.1, 0.2, 0.2]]]))
        ->assertOk()
        ->assertJsonPath('evidence.0.boxes', [[0.1, 0.1, 0.2, 0.2]])
        ->assertJsonPath('standings', fn (array $all): bool => array_values($all) === ['begun']);
    DB::table('paper_pages')->delete();
    $copy->update(['review_id' => elsewhere($world)->id, 'publication_id' => null]);
    answers($world, 'coder', 'People', ['value' => '7', ...$piece(['quote' => '189'])])->assertStatus(409);
    expect(Answer::query()->count())->toBe(2);
});

it('reads a copy in order, finds words on its pages, and has it read where it was not', function () {
    $world = atTheDesk();
    $copy = copyOf($world, 'In all 189 nurses were ran-', 'domised, 95 to light.');
    $at = "/reviews/{$world->review->id}/coding/papers/{$copy->id}";
    $this->actingAs($world->people['observer'])
        ->getJson($at)
        ->assertJsonPath('blocks.0.text', 'In all 189 nurses were randomised, 95 to light.');
    $this->getJson("{$at}/find?q=Randomised")->assertJsonCount(1, 'found')->assertJsonPath('found.0.page', 1);
    $this->getJson("{$at}/find?q=x")->assertJsonCount(0, 'found');
    $this->actingAs($world->people['outsider'])->getJson($at)->assertNotFound();
    $this->getJson(str_replace($world->review->id, elsewhere($world)->id, $at))->assertNotFound();
    DB::table('paper_pages')->delete();
    Queue::fake();
    $this->actingAs($world->people['observer'])->getJson($at)->assertJsonPath('blocks', []);
    Queue::assertPushed(ReadPages::class, fn (ReadPages $job): bool => $job->fullTextId === $copy->id);
});

it('keeps that something is not reported as an answer, and what it is asked with', function () {
    $world = atTheDesk(
        asked('Light', CodeType::Choice),
        asked('Lux', when: new AskedWhen('Light', ['lamp'])),
        asked('Bias', CodeType::YesNo, pass: Pass::InDepth),
    );
    $standings = fn (TestResponse $response): array => array_values($response->assertOk()->json('standings'));
    expect($standings(answers($world, 'coder', 'Light', ['value' => 'window', 'from_whole' => true])))->toBe([
        'answered',
        'not-asked',
        'open',
    ]);
    expect($standings(answers($world, 'coder', 'Bias', ['kind' => 'not-applicable'])))->toBe(['answered', 'not-asked', 'answered']);
    expect(CodedStudies::count($world->review->refresh()))->toBe(1);
    expect($standings(answers($world, 'coder', 'Light', ['value' => 'lamp › desk'])))->toBe(['begun', 'open', 'answered']);
    expect(CodedStudies::count($world->review->refresh()))->toBe(0);
    answers($world, 'coder', 'Lux', ['kind' => 'not-reported', 'note' => 'Only “bright”.'])
        ->assertOk()
        ->assertJsonPath('shown', 'not reported')
        ->assertJsonPath('note', 'Only “bright”.');
    expect(CodedStudies::count($world->review->refresh()))->toBe(1);
    // what is not a mapping item goes to the studies that were chosen for it
    $light = CodebookItem::query()->where('label', 'Light')->where('review_id', $world->review->id)->sole();
    app(SetCodingTerms::class)->depth($world->people['lead'], $world->review, $light, ['window', 'poem']);
    expect($world->review->refresh()->depth())->toEqual(new AskedWhen($light->id, ['window']));
    $this->get("/reviews/{$world->review->id}/coding")->assertOk()->assertSeeText('2 of 2')->assertSeeText('not reported');
});

it('says nothing twice and clears without losing', function () {
    $world = atTheDesk(asked('People'));
    $first = answers($world, 'coder', 'People', ['value' => '5', 'seen' => ''])->json('id');
    expect(answers($world, 'coder', 'People', ['value' => '5', 'seen' => $first])->json('id'))->toBe($first);
    answers($world, 'coder', 'People', ['value' => null, 'seen' => $first])->assertOk()->assertJsonPath('shown', '');
    expect(Answer::query()->count())->toBe(2)->and(DB::table('standing_answers')->count())->toBe(0);
    answers($world, 'coder', 'People', ['value' => '-'])->assertUnprocessable();
    answers($world, 'observer', 'People', ['value' => '5'])->assertForbidden();
    answers($world, 'coder', 'People', ['evidence' => [['quote' => 'x', 'boxes' => [['a', 1, 1, 1]]]]])->assertUnprocessable();
});

it('counts what two answered alike, shows neither the other’s, and lets people settle where they differ', function () {
    $world = atTheDesk(asked('People'), asked('Light', CodeType::Choice));
    $terms = app(SetCodingTerms::class);
    $terms->by($world->people['lead'], $world->review, 2);
    $publication = $world->publication('Bed lamps');
    $desk = fn (string $who): TestResponse => $this->actingAs($world->people[$who])
        ->getJson("/reviews/{$world->review->id}/coding/{$publication->id}");
    $standing = fn (): array => DB::table('standing_answers')->pluck('value', 'how')->all();
    answers($world, 'anna', 'People', ['value' => '189', 'seen' => ''])->assertOk();
    answers($world, 'anna', 'Light', ['value' => 'lamp', 'evidence' => [['quote' => 'Lamps were tried.']]])->assertOk();
    expect($desk('ben')->json('items.0.answer.value'))->toBeNull()->and($standing())->toBe([]);
    $this->get("/reviews/{$world->review->id}/coding/differences")->assertDontSeeText('189');
    $this->get("/reviews/{$world->review->id}/log")->assertDontSeeText('189');
    answers($world, 'ben', 'People', ['value' => '189.0', 'seen' => ''])->assertOk();
    expect($standing())->toBe(['agreed' => '189'])->and(CodedStudies::count($world->review->refresh()))->toBe(0);
    // no longer alike, it counts no longer
    answers($world, 'ben', 'People', ['value' => '190'])->assertOk();
    answers($world, 'ben', 'Light', ['value' => 'window'])->assertOk();
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
    answers($world, 'ben', 'People', ['value' => '189'])->assertOk();
    expect(Answer::query()->where('hand', '')->whereNull('superseded_at')->where('how', 'settled')->count())->toBe(2);
    expect(fn () => $terms->by($world->people['lead'], $world->review, 1))->toThrow(Refused::class, 'begun to code apart');
});
