<?php

namespace Tests\Feature\Coding;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\ProposeAnswers;
use App\Actions\Coding\SaveAnswer;
use App\Actions\Coding\StartLeads;
use App\Actions\Matching\JoinPublications;
use App\Actions\Shared\Refused;
use App\Jobs\Coding\FindLeads;
use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use App\Models\Publication;
use App\Queries\Coding\AnswerSlot;
use App\Queries\Coding\CodedReports;
use App\Tasks\TaskState;
use Illuminate\Support\Facades\Queue;
use Tests\Feature\World;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\GivenAnswer;
use WaryHeron\Core\Coding\Lead\LeadRuling;

const ABSTRACT_TEXT = 'Nurses were randomly assigned to bed lamps or to usual light on four wards in Norway. '.
    'In all, 64 nurses were randomised and 60 were included in the analysis. Their mean age was 38.4 years.';

/** A review with one included publication, and two items in the codebook. */
function leading(): World
{
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Bed lamps', 'AB' => ABSTRACT_TEXT], ['TI' => 'Chairs']]);
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, $world->item(), 'include');
    }
    foreach ([['People analysed', CodeType::Number], ['Mean age', CodeType::Number], ['Checked on', CodeType::Date]] as [$label, $type]) {
        app(ChangeCodebook::class)->add($world->people['lead'], $world->review, new Entry('', $label, new Code($type)));
    }

    return $world;
}

function codeOf(World $world, string $label): CodebookItem
{
    return CodebookItem::query()->where('review_id', $world->review->id)->where('label', $label)->sole();
}

function leadTo(World $world, string $label): ?CodingLead
{
    return CodingLead::query()->where('code_id', codeOf($world, $label)->id)->first();
}

it('proposes answers from the paper, with the words they rest on, and keeps them out of the data', function () {
    $world = leading();
    $this->actingAs($world->people['coder'])
        ->post("/reviews/{$world->review->id}/coding/leads")
        ->assertSessionHas('notice');
    $lead = leadTo($world, 'People analysed');
    expect([$lead?->value, $lead?->place(), $lead?->ruling])
        ->toBe([60, 'abstract', LeadRuling::Waiting])
        ->and(ABSTRACT_TEXT)
        ->toContain($lead->quote)
        ->and(Answer::query()->count())
        ->toBe(0)
        ->and(leadTo($world, 'Checked on'))
        ->toBeNull();
    $this->get("/reviews/{$world->review->id}/coding")->assertSeeTextInOrder(['Bed lamps', '0 of 3', '60', '38.4']);
    $desk = $this->getJson("/reviews/{$world->review->id}/coding/{$world->publication('Bed lamps')->id}")->assertOk();
    $shown = collect($desk->json('leads'))->firstWhere('slot', codeOf($world, 'Mean age')->id);
    expect([$shown['shown'], $shown['evidence']['quote'], $shown['evidence']['where']])
        ->toBe(['38.4', 'Their mean age was 38.4 years.', 'abstract'])
        ->and(collect($desk->json('items'))->pluck('standing')->all())
        ->toBe(['lead', 'lead', 'open']);
});

it('proposes yes or no where a paper says so, and nothing where an abstract is silent', function () {
    $world = leading();
    foreach (['Nurses randomly assigned', 'Allocation concealed'] as $label) {
        app(ChangeCodebook::class)->add($world->people['lead'], $world->review, new Entry('', $label, new Code(CodeType::YesNo)));
    }
    app(ProposeAnswers::class)->execute($world->review, $world->publication('Bed lamps'));
    expect(leadTo($world, 'Nurses randomly assigned')?->value)->toBe('Yes')
        ->and(leadTo($world, 'Allocation concealed'))->toBeNull();
});

it('makes an answer of what is accepted, corrected or turned down, and counts which', function () {
    $world = leading();
    $publication = $world->publication('Bed lamps');
    app(ProposeAnswers::class)->execute($world->review, $publication);
    $at = fn (string $label): string => "/reviews/{$world->review->id}/coding/{$publication->id}/".codeOf($world, $label)->id;
    $coder = $this->actingAs($world->people['coder']);
    $coder->postJson($at('Mean age').'/lead', ['do' => 'accept'])->assertOk()->assertJsonPath('shown', '38.4');
    $answer = Answer::query()->sole();
    [$evidence] = $answer->pieces();
    expect([$answer->value, $evidence->selector->quote, $evidence->whereabouts(), leadTo($world, 'Mean age')?->ruling])->toBe([
        38.4,
        'Their mean age was 38.4 years.',
        'abstract',
        LeadRuling::Accepted,
    ]);
    $coder->putJson($at('People analysed'), ['value' => '59'])->assertOk();
    expect(leadTo($world, 'People analysed')?->ruling)->toBe(LeadRuling::Corrected);
    // neither comes back, however often the paper is read
    expect(app(ProposeAnswers::class)->execute($world->review, $publication))->toBe(0);
    $coder->get("/reviews/{$world->review->id}/coding")->assertSeeText('1 of 1 accepted')->assertSeeText('0 of 1 accepted');
    $coder->postJson($at('Mean age').'/lead', ['do' => 'accept'])->assertStatus(409);
    expect(Answer::query()->count())->toBe(2);
});

it('forgets what was turned down, and logs it', function () {
    $world = leading();
    $publication = $world->publication('Bed lamps');
    app(ProposeAnswers::class)->execute($world->review, $publication);
    $this->actingAs($world->people['coder'])
        ->post("/reviews/{$world->review->id}/coding/{$publication->id}/".codeOf($world, 'Mean age')->id.'/lead', ['do' => 'reject']);
    app(ProposeAnswers::class)->execute($world->review, $publication);
    expect(leadTo($world, 'Mean age')?->ruling)
        ->toBe(LeadRuling::Rejected)
        ->and(CodingLead::query()->where('ruling', 'waiting')->count())
        ->toBe(1)
        ->and(Answer::query()->count())
        ->toBe(0);
    $this->get("/reviews/{$world->review->id}/log?about=Coding")->assertSeeText('Turned down what was proposed for “Mean age”');
});

it('lets only those rule who code, and nobody on another review’s item', function (string $who, int $status) {
    $world = leading();
    $publication = $world->publication('Bed lamps');
    app(ProposeAnswers::class)->execute($world->review, $publication);
    $url = "/reviews/{$world->review->id}/coding/{$publication->id}/".codeOf($world, 'Mean age')->id.'/lead';
    $this->actingAs($world->people[$who])->postJson($url, ['do' => 'accept'])->assertStatus($status);
    $this->actingAs($world->people[$who])
        ->post("/reviews/{$world->review->id}/coding/leads")
        ->assertStatus($status === 200 ? 302 : $status);
})->with([['coder', 200], ['lead', 200], ['observer', 403], ['outsider', 404]]);

it('refuses to read where there is nothing to ask', function () {
    $world = new World();
    $start = fn () => app(StartLeads::class)->execute($world->people['lead'], $world->review->refresh());
    expect($start)->toThrow(Refused::class, 'The codebook is empty.');
});

it('reads the papers once at a time', function () {
    $world = leading();
    $start = fn () => app(StartLeads::class)->execute($world->people['lead'], $world->review);
    Queue::fake();
    $start();
    Queue::assertPushed(FindLeads::class, 1);
    expect($start)->toThrow(Refused::class, 'being read already');
});

it('reads nothing more once it is cancelled', function () {
    $world = leading();
    Queue::fake();
    $task = app(StartLeads::class)->execute($world->people['lead'], $world->review);
    $this->actingAs($world->people['lead'])->post("/tasks/{$task->id}/cancel");
    app()->call([new FindLeads($task->id, CodedReports::ids($world->review)), 'handle']);
    expect(CodingLead::query()->count())->toBe(0)->and($task->refresh()->state)->toBe(TaskState::Cancelled);
});

it('passes over a paper that killed twice', function () {
    $world = leading();
    Queue::fake();
    $task = app(StartLeads::class)->execute($world->people['lead'], $world->review);
    $task->update(['state' => 'running', 'in_hand' => 'paper 0', 'deaths' => 1]);
    app()->call([new FindLeads($task->id, CodedReports::ids($world->review)), 'handle']);
    expect(CodingLead::query()->count())->toBe(0)->and($task->refresh()->only('state', 'done'))->toBe(['state' => TaskState::Done, 'done' => 1]);
});

it('takes a person’s answer that comes first as the answer', function () {
    $world = leading();
    $publication = $world->publication('Bed lamps');
    app(SaveAnswer::class)->execute($world->people['coder'], new AnswerSlot($publication, codeOf($world, 'Mean age')), new GivenAnswer('40'));
    app(ProposeAnswers::class)->execute($world->review, $publication);
    expect(leadTo($world, 'Mean age'))->toBeNull();
});

it('goes with a publication that is found to be another, unless somebody ruled on it', function (bool $ruled) {
    $world = leading();
    $publication = $world->publication('Bed lamps');
    app(ProposeAnswers::class)->execute($world->review, $publication);
    $chairs = $world->publication('Chairs');
    CodingLead::query()->create([
        'review_id' => $world->review->id,
        'publication_id' => $chairs->id,
        'code_id' => codeOf($world, 'Mean age')->id,
        'value' => 40,
        'quote' => 'Aged 40.',
        'page' => null,
        'confidence' => 'check',
        'reason' => 'x',
        'ruling' => $ruled ? 'rejected' : 'waiting',
    ]);
    app(JoinPublications::class)->execute(null, $world->review->id, [$publication->id, $chairs->id], 'stroke');
    expect(CodingLead::query()->where('publication_id', $chairs->id)->exists())
        ->toBe($ruled)
        ->and(Publication::query()->whereKey($chairs->id)->exists())
        ->toBe($ruled);
})->with([true, false]);
