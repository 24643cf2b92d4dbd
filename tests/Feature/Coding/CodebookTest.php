<?php

namespace Tests\Feature\Coding;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Review;
use Illuminate\Http\UploadedFile;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Book\BookCsv;
use WaryHeron\Core\Coding\Book\BookJson;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Pass;

it('shows what a changed option touches, and carries the answers over as somebody says', function () {
    $world = AtTheDesk::world(AtTheDesk::asked('Light', CodeType::Choice));
    AtTheDesk::answers($world, 'coder', 'Light', ['value' => 'window', 'note' => 'South.'])->assertOk();
    $code = CodebookItem::query()->where('review_id', $world->review->id)->sole();
    $review = "/reviews/{$world->review->id}";
    $change = fn (array $with) => $this->actingAs($world->people['lead'])
        ->put("{$review}/codebook/{$code->id}", ['label' => 'Light', 'type' => 'choice', 'options' => "lamp\ndaylight", ...$with]);
    $change([])->assertSessionHas('touched', ['code' => $code->id, 'options' => ['window' => 1]]);
    expect($code->refresh()->options)->toContain('window');
    $this->get("{$review}/codebook")->assertOk()->assertSeeText('1 answer “window” become');
    $change(['becomes' => ['window' => 'poem']])->assertSessionHas('problem');
    $change(['becomes' => ['window' => 'daylight']])->assertSessionHas('notice');
    $now = Answer::query()->whereNull('superseded_at')->sole();
    expect([$now->value, $now->note, $now->user_id, $code->refresh()->options, Answer::query()->count()])
        ->toBe(['daylight', 'South.', $world->people['coder']->id, ['lamp', 'daylight'], 2]);
    $change(['type' => 'text'])->assertSessionHas('problem');
});

it('takes sections, passes, bounds and conditions, and refuses what does not hang together', function () {
    $world = AtTheDesk::world(AtTheDesk::asked('Light', CodeType::Choice));
    $light = CodebookItem::query()->where('review_id', $world->review->id)->sole();
    $review = "/reviews/{$world->review->id}";
    $add = fn (array $with) => $this->actingAs($world->people['lead'])->post("{$review}/codebook", ['type' => 'number', ...$with]);
    $add(['label' => 'Lux', 'unit' => 'lux', 'minimum' => '0', 'maximum' => '10', 'section' => 'Light', 'pass' => 'in-depth',
        'synonyms' => 'illuminance; brightness', 'when' => $light->id, 'when_answers' => "lamp\n"])->assertSessionHasNoErrors();
    $lux = CodebookItem::query()->where('label', 'Lux')->sole()->entry();
    expect([$lux->section, $lux->pass, $lux->synonyms, $lux->code->maximum])
        ->toBe(['Light', Pass::InDepth, ['illuminance', 'brightness'], 10.0])
        ->and($lux->when)
        ->toEqual(new AskedWhen($light->id, ['lamp']));
    $add(['label' => 'Odd', 'minimum' => '3', 'maximum' => '2'])->assertSessionHasErrors('maximum');
    $add(['label' => 'Odd', 'when' => $light->id])->assertSessionHasErrors('when_answers');
    $add(['label' => 'Odd', 'when' => '01nothing', 'when_answers' => 'x'])->assertSessionHas('problem');
    // nothing may depend on what comes after it
    $this->put("{$review}/codebook/{$light->id}", ['label' => 'Light', 'type' => 'choice', 'options' => 'lamp', 'when' => $lux->id,
        'when_answers' => '5'])->assertSessionHas('problem');
    $this->post("{$review}/codebook/{$lux->id}/move", ['do' => 'up']);
    expect(CodebookItem::query()->orderBy('position')->pluck('label')->all())->toBe(['Lux', 'Light']);
    $this->actingAs($world->people['coder'])->post("{$review}/codebook/{$lux->id}/move", ['do' => 'retire'])->assertForbidden();
});

it('starts from a set, from a file and from another review of one’s own', function () {
    $world = AtTheDesk::world(AtTheDesk::asked('Light', CodeType::Choice));
    $review = "/reviews/{$world->review->id}";
    $lead = $this->actingAs($world->people['lead']);
    $lead->post("{$review}/codebook/file", ['from' => 'soundness'])->assertSessionHas('notice');
    expect(CodebookItem::query()->whereNotNull('when_code_id')->count())->toBe(2);
    $json = (string) $lead->get("{$review}/codebook/file/json")->assertOk()->getContent();
    $csv = (string) $lead->get("{$review}/codebook/file/csv")->assertOk()->getContent();
    expect(count(BookCsv::read($csv)))->toBe(count(BookJson::read($json)));
    $lead->get("{$review}/codebook/sheet")->assertOk()->assertSeeText('not reported')->assertSeeText('Light');
    $other = AtTheDesk::elsewhere($world);
    $there = "/reviews/{$other->id}/codebook";
    $this->actingAs($world->people['outsider'])
        ->post("{$there}/file", ['file' => UploadedFile::fake()->createWithContent('book.json', $json)])
        ->assertSessionHas('notice');
    $labels = fn (Review $of): array => $of->codes()->pluck('label')->all();
    expect($labels($other))->toBe($labels($world->review))->toHaveCount(15);
    $this->post("{$there}/file", ['file' => UploadedFile::fake()->createWithContent('book.json', '{"items": [{"type": "text"}]}')])
        ->assertSessionHas('problem', 'Item 1: it has no label. Nothing was taken in.');
    // another team's codebook is not there to be taken
    $this->post("{$there}/file", ['from' => $world->review->id])->assertSessionHas('problem');
    $this->actingAs($world->people['coder'])->post("{$review}/codebook/file", ['from' => 'soundness'])->assertForbidden();
});

it('is coded by one or by two', function () {
    $world = AtTheDesk::world(AtTheDesk::asked('Light', CodeType::Choice));
    $set = fn (array $with) => $this->actingAs($world->people['lead'])->put("/reviews/{$world->review->id}/codebook/terms", $with);
    $set(['coders' => '2'])->assertSessionHas('notice');
    expect($world->review->refresh()->coded_by)->toBe(2);
    $set(['coders' => '3'])->assertSessionHasErrors('coders');
});
