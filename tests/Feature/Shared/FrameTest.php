<?php

namespace Tests\Feature\Shared;

use App\Database\SessionRows;
use App\Models\Task;
use Illuminate\Support\Facades\Blade;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Verdict;

it('has a mark for every verdict and state, told apart by shape and by name', function () {
    $drawn = [];
    foreach ([...array_column(Verdict::cases(), 'value'), ...array_column(ItemState::cases(), 'value')] as $verdict) {
        $drawn[$verdict] = Blade::render('<x-mark :verdict="$verdict" />', ['verdict' => $verdict]);
        expect($drawn[$verdict])->toContain('role="img"')->toContain('aria-label=');
    }
    expect(
        count(
            array_unique([
                $drawn['include'],
                $drawn['exclude'],
                $drawn['unsure'],
                $drawn['disagreement'],
                $drawn['waiting'],
            ]),
        ),
    )->toBe(5);
    expect($drawn['include'])->toBe($drawn['included']);
    expect(fn () => Blade::render('<x-mark verdict="perhaps" />'))->toThrow(\Exception::class);
});

it('says on every page of a review where it stands, in orange only what waits for this person', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'One'], ['TI' => 'Two'], ['TI' => 'One', 'N1' => 'again']]);
    $world->decide('anna', $world->item(0), 'include');
    $see = fn (string $who): string => preg_replace(
        '/\s+/',
        ' ',
        strip_tags(
            $this->actingAs($world->people[$who])
                ->get("/reviews/{$world->review->id}/report")
                ->assertOk()
                ->getContent(),
        ),
    );
    expect($see('anna'))
        ->toContain('3 records')
        ->toContain('2 publications')
        ->toContain('1 duplicate')
        ->toContain('Screening 1 wait for you');
    expect($see('ben'))->toContain('Screening 2 wait for you');
    expect($see('observer'))->not->toContain('wait for you');
});

it('shows one’s own background work until it is dismissed', function () {
    $world = new World();
    $world->deliver([[]]);
    $task = Task::query()->sole();
    $this->actingAs($world->people['anna'])->getJson('/tasks')->assertJsonCount(0, 'tasks');
    $this->actingAs($world->people['specialist'])
        ->getJson('/tasks')
        ->assertJsonPath('tasks.0.state', 'done')
        ->assertJsonPath('tasks.0.message', 'New publications: 1. Already here: 0. Rejected: 0.')
        ->assertJsonPath('tasks.0.left', null);
    $task->update([
        'state' => 'running',
        'started_at' => now()->subSeconds(10),
        'done' => 100,
        'total' => 300,
        'finished_at' => null,
    ]);
    expect($this->getJson('/tasks')->json('tasks.0.left'))
        ->toBeGreaterThanOrEqual(20)
        ->toBeLessThan(25);
    // what goes on stays in sight
    $this->postJson('/tasks/seen', ['tasks' => [$task->id]])->assertOk();
    $this->getJson('/tasks')->assertJsonCount(1, 'tasks');
    $task->update(['state' => 'done', 'finished_at' => now()]);
    $this->actingAs($world->people['anna'])
        ->postJson('/tasks/seen', ['tasks' => [$task->id]])
        ->assertOk();
    $this->actingAs($world->people['specialist'])->getJson('/tasks')->assertJsonCount(1, 'tasks');
    $this->postJson('/tasks/seen', ['tasks' => [$task->id]])->assertOk();
    $this->getJson('/tasks')->assertJsonCount(0, 'tasks');
});

it('keeps a visitor out of what is not theirs, and tells mistyped addresses apart from forbidden ones', function () {
    $world = new World();
    $this->actingAs($world->people['observer']);
    $this->get("/reviews/{$world->review->id}/nowhere")->assertNotFound();
    $this->get('/reviews/01arz3ndektsv4rrffq69g5fav/question')->assertNotFound();
    $this->get("/reviews/{$world->review->id}/searches/new")->assertForbidden();
    $this->post('/reviews', ['title' => ''])->assertSessionHasErrors('title');
    $this->post('/reviews', ['title' => 'Mine', 'question' => '<script>alert(1)</script>'])->assertRedirect();
    $this->get('/')->assertSee('Mine')->assertDontSee('<script>alert', false);
});

it('shows components outside production only', function () {
    $this->get('/design')->assertOk();
    app()->detectEnvironment(fn (): string => 'production');
    $this->get('/design')->assertForbidden();
});

it('changes a password only for who knows the old one, and ends other sessions', function () {
    $anna = (new World())->people['anna'];
    $new = ['name' => 'Anna K', 'password' => 'brand new and long', 'password_confirmation' => 'brand new and long'];
    DB::table('sessions')->insert([
        'id' => 'elsewhere',
        'user_id' => $anna->id,
        'payload' => '',
        'last_activity' => time(),
    ]);
    $this->actingAs($anna)
        ->put('/account', [...$new, 'current_password' => 'wrong'])
        ->assertSessionHasErrors('current_password');
    $this->put('/account', [...$new, 'current_password' => 'a long password'])->assertSessionHasNoErrors();
    expect(DB::table('sessions')->where('id', 'elsewhere')->exists())
        ->toBeFalse()
        ->and($anna->fresh()->name)
        ->toBe('Anna K');
});

it('writes a session when it has changed or is a minute old, and not for every request', function () {
    $rows = fn (): SessionRows => new SessionRows(DB::connection(), 'sessions', 60);
    $written = function (SessionRows $handler, string $data): int {
        DB::enableQueryLog();
        DB::flushQueryLog();
        $handler->write('one', $data);

        return count(
            array_filter(DB::getQueryLog(), fn (array $query): bool => ! str_starts_with($query['query'], 'select')),
        );
    };
    expect($written($rows(), 'lamps'))->toBe(1);
    $next = $rows();
    expect($next->read('one'))
        ->toBe('lamps')
        ->and($written($next, 'lamps'))
        ->toBe(0)
        ->and($written($next, 'naps'))
        ->toBe(1);
    $next = $rows();
    expect($next->read('one'))->toBe('naps');
    $this->travel(61)->seconds();
    expect($written($next, 'naps'))->toBe(1);
    $this->travel(2)->hours();
    expect($rows()->read('one'))->toBe('')->and($rows()->read('two'))->toBe('');
});

it('shows nobody a place that is not for their role', function () {
    $world = new World();
    foreach (['specialist' => true, 'observer' => false, 'coder' => false] as $who => $may) {
        $page = $this->actingAs($world->people[$who])
            ->get("/reviews/{$world->review->id}/records")
            ->assertOk()
            ->getContent();
        expect(str_contains($page, route('pairing', $world->review)))->toBe($may, $who);
        $this->get("/reviews/{$world->review->id}/pairing")->assertStatus($may ? 200 : 403);
    }
});

it('says what comes next, and moves along', function () {
    $world = new World();
    $next = fn (string $who): string => preg_match(
        '~<p class="next-steps[^"]*">(.*?)</p>~s',
        (string) $this->actingAs($world->people[$who])
            ->get("/reviews/{$world->review->id}/question")
            ->getContent(),
        $found,
    ) === 1
        ? trim((string) preg_replace('/\s+/', ' ', strip_tags($found[1])))
        : '';
    expect($next('lead'))
        ->toBe('Next: word the question and its criteria, then search, or deliver files')
        ->and($next('observer'))
        ->toBe('');
    $world->withCriteria();
    $world->deliver([['TI' => 'One'], ['TI' => 'Two']]);
    expect($next('lead'))
        ->toBe('Next: match 2 records, then screen 2 titles')
        ->and($next('anna'))
        ->toBe('Next: screen 2 titles');
    $world->decide('anna', $world->item(0), 'include');
    expect($next('anna'))->toBe('Next: screen 1 title');
    $world->decide('ben', $world->item(0), 'exclude');
    expect($next('anna'))->toContain('settle 1 disagreement');
});
