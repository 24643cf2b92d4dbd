<?php

namespace Tests\Feature\Question;

use App\Models\LogEntry;
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
        if (str_contains($code, 'DB::transaction') && ! str_contains($file, 'TakeInRecords')) {
            // its job writes when the delivery is done
            expect(preg_match('/\(\$this->log\)\(|\$this->log->keep\(/', $code))->toBe(1, basename($file));
        }
    }
});
