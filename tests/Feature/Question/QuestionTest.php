<?php

namespace Tests\Feature\Question;

use App\Models\LogEntry;
use App\Queries\Question\Concepts;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

it('keeps the question, its concepts and the criteria in their order', function () {
    $world = (new World())->withCriteria();
    $review = "/reviews/{$world->review->id}";
    $this->actingAs($world->people['lead'])
        ->put("{$review}/question", [
            'title' => 'Lamps',
            'question' => 'Do they?',
            'concepts' => ['population' => 'Staff', 'comparison' => null],
        ])
        ->assertSessionHasNoErrors();
    $this->get("{$review}/question")
        ->assertSee('Do they?')
        ->assertSee('Staff');
    $this->put("{$review}/question", ['title' => '', 'concepts' => ['weather' => 'x']])->assertSessionHasErrors([
        'title',
        'concepts',
    ]);
    [$first, $second] = $world->review->criteria()->get()->all();
    $this->put("{$review}/criteria/{$second->id}", ['do' => 'up']);
    expect($world->review->criteria()->pluck('question')->all())->toBe(['Light?', 'Staff?']);
    $this->put("{$review}/criteria/{$first->id}", ['do' => 'retire']);
    expect($first->fresh()->retired_at)->not->toBeNull();
});

it('says what a new review lacks, to those who can do it, and nothing once it has all of it', function () {
    $world = new World();
    $page = "/reviews/{$world->review->id}/question";
    $this->actingAs($world->people['lead'])
        ->get($page)
        ->assertSeeInOrder(['What comes next', 'List the criteria', 'Build a search', 'Deliver files'])
        ->assertDontSee('Invite the team');
    $this->actingAs($world->people['observer'])->get($page)->assertDontSee('What comes next');
    $world->withWards();
    $this->actingAs($world->people['lead'])->get($page)->assertDontSee('What comes next');
});

it('writes in the Log, where nothing is changed or removed', function () {
    $world = World::readingInFull()->withCriteria();
    expect(LogEntry::query()->orderBy('id')->pluck('action')->all())->toBe([
        'review.created',
        'criterion.added',
        'criterion.added',
    ]);
    foreach (['UPDATE log_entries SET summary = \'x\'', 'DELETE FROM log_entries'] as $sql) {
        expect(fn () => DB::transaction(fn () => DB::statement($sql)))->toThrow(
            QueryException::class,
            'permission denied',
        );
    }
    $this->actingAs($world->people['observer'])
        ->get("/reviews/{$world->review->id}/log")
        ->assertOk()
        ->assertSee('Started the review');
});

it('has every action that changes something write in the Log', function () {
    foreach (glob(app_path('Actions/*/*.php')) as $file) {
        $code = (string) file_get_contents($file);
        // these work in the background, on what was written down when it came or was begun
        // or take the Log away with the review
        $isTold = preg_match('/DeleteReview|TakeInRecords|ProposeAnswers|KeepPages|KeepPapers|LookIntoTexts/', $file) === 1 ||
            preg_match('/AnswerCriteria|AskPapers|ChoosePapers|ComposeDraft|EndDraft/', $file) === 1 ||
            // or have it written by those that they call
            preg_match('/BeginDueRounds|RemoveMyself/', $file) === 1;
        if (str_contains($code, 'DB::transaction') && ! $isTold) {
            expect(preg_match('/\(\$this->log\)\(|\$this->log->keep\(|\$this->security->write\(/', $code))->toBe(1, basename($file));
        }
    }
});

it('takes the question apart by the frame that fits, and by concepts of the team’s own', function () {
    $world = new World();
    $url = "/reviews/{$world->review->id}/question";
    $this->actingAs($world->people['lead'])
        ->put($url, [
            'title' => 'Lamps',
            'frame' => 'peo',
            'concepts' => ['population' => 'Night staff', 'exposure' => 'Glare', 'outcome' => 'Headache'],
            'own' => [['label' => 'Setting', 'text' => 'Wards'], ['label' => '', 'text' => ''], ['label' => 'Season']],
            'protocol' => 'Nocturnal Medicine 2026;3:9',
            'registration' => 'Shoreline Register, SRR-7',
        ])
        ->assertSessionHasNoErrors();
    $this->get($url)
        ->assertSeeText('Phenomenon of interest') // of a frame to choose
        ->assertSee('Glare')
        ->assertSee('Season')
        ->assertSee('SRR-7');
    $this->actingAs($world->people['anna'])
        ->get($url)
        ->assertSeeTextInOrder(['Population', 'Night staff', 'Exposure', 'Glare', 'Setting', 'Wards', 'Season', 'open'])
        ->assertSeeText('Nocturnal Medicine 2026;3:9')
        ->assertDontSeeText('Intervention');
    // a strategy is begun from them, in their order
    $this->actingAs($world->people['specialist'])
        ->get("/reviews/{$world->review->id}/searches/new")
        ->assertSee('value="Exposure: Glare"', false)
        ->assertSee('value="Setting: Wards"', false)
        ->assertDontSee('Season');
});

it('keeps what was written for another frame, and replaces one’s own concepts as a whole', function () {
    $world = new World();
    $url = "/reviews/{$world->review->id}/question";
    $save = fn (array $given) => $this->actingAs($world->people['lead'])->put($url, ['title' => 'Lamps', ...$given]);
    $save(['frame' => 'pico', 'concepts' => ['intervention' => 'Lamps'], 'own' => [['label' => 'Setting', 'text' => 'Wards']]]);
    $save(['frame' => 'pcc', 'concepts' => ['concept' => 'Glare'], 'own' => [['label' => 'Season', 'text' => 'Winter']]]);
    expect(Concepts::of($world->review->refresh())->texts())->toBe(['concept' => 'Glare', 'own-1' => 'Winter']);
    $save(['frame' => 'pico', 'concepts' => []]);
    expect(Concepts::of($world->review->refresh())->texts())->toBe(['intervention' => 'Lamps']);
});

it('refuses concepts without a name, and more than there is room for', function (array $given, string $error) {
    $world = new World();
    $this->actingAs($world->people['lead'])
        ->put("/reviews/{$world->review->id}/question", ['title' => 'Lamps', ...$given])
        ->assertSessionHasErrors($error);
    expect($world->review->concepts()->count())->toBe(0);
})->with([
    'no name' => [['own' => [['label' => '', 'text' => 'Wards']]], 'own.0.label'],
    'too many' => [['own' => array_fill(0, 13, ['label' => 'a', 'text' => 'b'])], 'own'],
    'another key' => [['own' => [['label' => 'a', 'weight' => '3']]], 'own.0'],
    'no such frame' => [['frame' => 'picot'], 'frame'],
    'a list for a text' => [['concepts' => ['population' => ['x']]], 'concepts.population'],
]);
