<?php

namespace Tests\Feature\Shared;

use App\Models\Invitation;
use App\Models\Letter;
use Illuminate\Database\QueryException;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Tests\Feature\World;

/** What cannot be done says so on a page of ours, with what became of the work and a way on. */
it('has a page of its own for what goes wrong', function (int $status, string $title) {
    config(['app.debug' => false]);
    Route::get(
        '/goes-wrong',
        fn () => $status === 500 ? throw new \RuntimeException('secret inside') : abort($status),
    )->middleware('web');
    $this->get('/goes-wrong')
        ->assertStatus($status)
        ->assertSee($title)
        ->assertSee('All my reviews')
        ->assertDontSee('secret inside')
        ->assertDontSee('<style', false);
})->with([
    [400, 'This address cannot be read'],
    [401, 'You are not signed in'],
    [403, 'Not for your role here'],
    [404, 'Nothing is here'],
    [413, 'Too large to take in'],
    [419, 'open for too long'],
    [429, 'Too many at once'],
    [500, 'Something went wrong here'],
    [502, 'A database elsewhere did not answer'],
    [503, 'Not possible at the moment'],
]);

it('leads back to where one was, and only within this house', function () {
    $world = new World();
    $this->actingAs($world->people['observer']);
    $path = "/reviews/{$world->review->id}/question";
    $this->from($path)
        ->put($path, ['title' => 'x'])
        ->assertForbidden()
        ->assertSee('Not for your role here')
        ->assertDontSee('evil.example');
    $this->get("/reviews/{$world->review->id}/deliveries/none", ['Referer' => url('/account')])
        ->assertNotFound()
        ->assertSee('Back to where you were')
        ->assertSee(url('/account'), false);
    $this->get('/nothing-here', ['Referer' => 'http://evil.example/account'])
        ->assertNotFound()
        ->assertDontSee('evil.example');
});

it('keeps what was typed when a form comes too late', function () {
    $world = new World();
    Route::post('/late', fn () => throw new TokenMismatchException())->middleware('web');
    $this->from('/late-form')
        ->post('/late', ['email' => 'anna@heron.example'])
        ->assertRedirect('/sign-in')
        ->assertSessionHas('notice');
    $this->actingAs($world->people['lead'])
        ->from('/account')
        ->post('/late', ['name' => 'A long story', 'password' => 'not this'])
        ->assertRedirect('/account')
        ->assertSessionHas('problem')
        ->assertSessionHasInput('name', 'A long story');
    expect(session()->getOldInput('password'))->toBeNull();
    $this->postJson('/late')->assertStatus(419);
});

it('keeps what was typed when a form comes too often, and says how long to wait', function () {
    $world = new World();
    $this->actingAs($world->people['lead'])->from("/reviews/{$world->review->id}/team");
    foreach (range(1, 30) as $i) {
        $this->post("/reviews/{$world->review->id}/team/invitations", [
            'email' => "p{$i}@heron.example",
            'role' => 'reviewer',
        ])->assertSessionHasNoErrors();
    }
    $this->from("/reviews/{$world->review->id}/team")
        ->post("/reviews/{$world->review->id}/team/invitations", [
            'email' => 'late@heron.example',
            'role' => 'reviewer',
        ])
        ->assertRedirect("/reviews/{$world->review->id}/team")
        ->assertSessionHas('problem', fn (string $words): bool => preg_match('/Try again in \d+ seconds/', $words) === 1)
        ->assertSessionHasInput('email', 'late@heron.example');
    expect(Invitation::query()->count())->toBe(30);
});

it('lets ten people of one house accept their invitations within a minute', function () {
    $world = new World();
    $this->actingAs($world->people['lead']);
    foreach (range(1, 10) as $i) {
        $this->post("/reviews/{$world->review->id}/team/invitations", [
            'email' => "nurse{$i}@heron.example",
            'role' => 'reviewer',
        ]);
    }
    foreach (Letter::query()->get() as $letter) {
        preg_match('~/invitations/(\w+)~', $letter->body, $link);
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $this->get("/invitations/{$link[1]}")->assertOk();
        $this->post("/invitations/{$link[1]}", [
            'name' => 'A nurse',
            'password' => 'lamps over ward seven',
            'password_confirmation' => 'lamps over ward seven',
        ])->assertRedirect("/reviews/{$world->review->id}/question");
    }
    expect($world->review->memberships()->count())->toBe(16);
});

it('offers an invitation to nobody but the person it is for', function () {
    $world = new World();
    $this->actingAs($world->people['lead'])->post("/reviews/{$world->review->id}/team/invitations", [
        'email' => 'outsider@heron.example',
        'role' => 'reviewer',
    ]);
    preg_match('~/invitations/(\w+)~', Letter::query()->sole()->body, $link);
    $this->actingAs($world->people['coder'])
        ->get("/invitations/{$link[1]}")
        ->assertOk()
        ->assertSee('it is not for you to accept')
        ->assertSee('Sign out and go on as outsider@heron.example')
        ->assertDontSee('Accept the invitation');
    $this->post('/sign-out', ['then' => $link[1]])->assertRedirect("/invitations/{$link[1]}");
    $this->get("/invitations/{$link[1]}")->assertSee('Sign in to accept');
});

it('ends a page that asks too much of the database with a word on what to do', function () {
    Route::get(
        '/slow',
        fn () => DB::transaction(function (): void {
            DB::statement("SET LOCAL statement_timeout = '20ms'");
            DB::select('SELECT pg_sleep(2)');
        }),
    )->middleware('web');
    $this->get('/slow')->assertStatus(503)->assertSee('takes longer than a page may take');
    Route::get('/other', fn () => DB::select('SELECT * FROM no_such_table'))->middleware('web');
    $this->withoutExceptionHandling();
    expect(fn () => $this->get('/other'))->toThrow(QueryException::class);
});
