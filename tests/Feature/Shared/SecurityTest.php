<?php

namespace Tests\Feature\Shared;

use App\Access\CommonPasswords;
use App\Access\Passwords;
use App\Jobs\Team\SendResetLink;
use App\Models\Letter;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Route;
use Monolog\Handler\TestHandler;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Tests\Feature\World;

it('answers under its own name alone, and makes its links from that', function (string $host) {
    new World();
    $this->post("http://{$host}/forgot-password", ['email' => 'anna@heron.example'])->assertBadRequest();
    $this->get("http://{$host}/post-room")->assertBadRequest();
    $this->get("http://{$host}/up")->assertBadRequest();
    expect(Letter::query()->count())->toBe(0);
})->with([
    'evil.example',
    'evil.example:8080',
    'heron.test.evil.example',
    'x-heron.test',
    '127.0.0.1',
    'heron.test@evil.example',
]);

it('makes links from the configured address, whatever a proxy claims', function () {
    new World();
    $this->withHeader('X-Forwarded-Host', 'evil.example')
        ->withHeader('X-Forwarded-Port', '666')
        ->post('/forgot-password', ['email' => 'anna@heron.example'])
        ->assertRedirect('http://heron.test/sign-in');
    expect(Letter::query()->sole()->body)
        ->toContain('http://heron.test/reset-password/')
        ->not->toContain('evil');
});

it('believes what a proxy says of an address from the proxies it knows alone', function (string $from, string $told) {
    $this->withServerVariables(['REMOTE_ADDR' => $from])->withHeader('X-Forwarded-For', '198.51.100.1')->get('/sign-in');
    expect(request()->ip())->toBe($told);
})->with([['127.0.0.1', '198.51.100.1'], ['203.0.113.9', '203.0.113.9']]);

it('lets nobody keep a copy on the way', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'One']]);
    $this->actingAs($world->people['lead']);
    $review = "/reviews/{$world->review->id}";
    foreach (
        [
            '/question',
            '/exports/decisions.csv',
            '/exports/decisions.xlsx',
            '/records/export/ris',
            '/records/export/xlsx',
            '/exports/coding.csv',
            '/report/flow.svg',
        ] as $path
    ) {
        expect(
            $this->get($review.$path)
                ->assertOk()
                ->headers->get('Cache-Control'),
        )
            ->toContain('no-store')
            ->toContain('private')
            ->not->toContain('public');
    }
    Route::get(
        '/a-file',
        fn (): BinaryFileResponse => new BinaryFileResponse(base_path('README.md'), public: true),
    )->middleware('web');
    expect($this->get('/a-file')->headers->get('Cache-Control'))->toBe('no-store, private');
});

it('gives the application no more of the tables than it needs', function () {
    new World();
    $may = fn (string $table, string $what): bool => DB::scalar('SELECT has_table_privilege(?, ?, ?)', [
        'heron_app',
        $table,
        $what,
    ]);
    $tables = array_column(DB::select("SELECT tablename FROM pg_tables WHERE schemaname = 'public'"), 'tablename');
    foreach ($tables as $table) {
        expect($may($table, 'SELECT'))
            ->toBeTrue($table)
            ->and($may($table, 'TRUNCATE'))
            ->toBeFalse($table)
            ->and($may($table, 'REFERENCES'))
            ->toBeFalse($table);
    }
    foreach (
        [
            'log_entries',
            'decisions',
            'settlements',
            'proposals',
            'answers',
            'rulings',
            'strategy_revisions',
            'strategy_versions',
            'runs',
        ] as $kept
    ) {
        expect($may($kept, 'INSERT'))
            ->toBeTrue($kept)
            ->and($may($kept, 'UPDATE'))
            ->toBeFalse($kept)
            ->and($may($kept, 'DELETE'))
            ->toBeFalse($kept);
    }
    expect(DB::scalar("SELECT has_column_privilege('heron_app', 'decisions', 'superseded_at', 'UPDATE')"))->toBeTrue();
    $role = DB::selectOne(
        "SELECT rolsuper, rolcreaterole, rolcreatedb, rolbypassrls FROM pg_roles WHERE rolname = 'heron_app'",
    );
    expect(array_filter((array) $role))
        ->toBe([])
        ->and(DB::scalar("SELECT count(*) FROM pg_class WHERE relowner = 'heron_app'::regrole"))
        ->toBe(0);
});

it('cannot undo as the application what is only added to', function (string $sql) {
    new World();
    expect(DB::scalar('SELECT current_user'))->toBe('heron_app');
    expect(DB::table('log_entries')->count())->toBeGreaterThan(0);
    expect(fn () => DB::statement($sql))->toThrow(QueryException::class, '42501');
})->with([
    'TRUNCATE log_entries',
    'UPDATE log_entries SET summary = \'x\'',
    'DELETE FROM log_entries',
    'SET session_replication_role = replica',
    'ALTER TABLE log_entries DISABLE TRIGGER ALL',
    'COPY log_entries FROM PROGRAM \'id\'',
    'UPDATE decisions SET note = \'x\'',
    'DROP TABLE letters',
    'DELETE FROM migrations',
    'CREATE TABLE mine (n int)',
]);

it('keeps what is only added to even from its owner', function (string $table) {
    DB::statement('RESET ROLE');
    expect(fn () => DB::statement("TRUNCATE {$table} CASCADE"))->toThrow(QueryException::class, 'append-only');
})->with([
    'log_entries',
    'decisions',
    'settlements',
    'proposals',
    'answers',
    'rulings',
    'records',
    'strategy_revisions',
    'strategy_versions',
    'runs',
]);

it('works as hard for an address that nobody has', function () {
    new World();
    $asked = [];
    Hash::shouldReceive('check')->andReturnUsing(function (string $given) use (&$asked): bool {
        $asked[] = $given;

        return false;
    });
    Hash::shouldReceive('make')->andReturn(password_hash('nobody’s', PASSWORD_BCRYPT, ['cost' => 4]));
    foreach (['anna@heron.example', 'nobody@heron.example'] as $email) {
        $this->post('/sign-in', ['email' => $email, 'password' => 'guess'])->assertSessionHasErrors('email');
    }
    expect($asked)->toBe(['guess', 'guess']);
});

it('does in the background what only a known address needs', function () {
    Queue::fake();
    new World();
    DB::enableQueryLog();
    $queries = [];
    foreach (['anna@heron.example', 'nobody@heron.example'] as $email) {
        DB::flushQueryLog();
        $this->post('/forgot-password', ['email' => $email])
            ->assertRedirect('/sign-in')
            ->assertSessionHas('notice');
        $queries[] = array_column(DB::getQueryLog(), 'query');
    }
    expect($queries[0])
        ->toBe($queries[1])
        ->and(Letter::query()->count())
        ->toBe(0);
    Queue::assertPushed(SendResetLink::class, 2);
});

it('refuses passwords that are tried first', function (string $password) {
    expect(CommonPasswords::isCommon($password))->toBeTrue();
    $anna = (new World())->people['anna'];
    $this->actingAs($anna)
        ->put('/account', [
            'name' => 'Anna',
            'current_password' => 'a long password',
            'password' => $password,
            'password_confirmation' => $password,
        ])
        ->assertSessionHasErrors('password');
})->with([
    'aaaaaaaaaaaa',
    '123456789012',
    'qwertyuiopas',
    'password1234',
    'Passw0rd!!!!',
    'passwordpassword',
    'abcdefghijkl',
    'sunshine2024',
    '1qaz2wsx3edc',
    'lalalalalala',
]);

it('refuses passwords that are little more than one’s own name or address, or the application’s', function (
    string $password,
    bool $isTaken,
) {
    config(['app.name' => 'Wary Heron']);
    $anna = (new World())->people['anna'];
    $anna->update(['name' => 'Ingrid Okafor', 'email' => 'i.okafor@larkmoor.example']);
    $answer = $this->actingAs($anna)->from('/account')->put('/account', [
        'name' => 'Ingrid Okafor',
        'current_password' => 'a long password',
        'password' => $password,
        'password_confirmation' => $password,
    ]);
    $isTaken ? $answer->assertSessionHasNoErrors() : $answer->assertSessionHasErrors('password');
})->with([
    ['ingrid-okafor-1', false],
    ['Okafor.Ingrid!', false],
    ['i.okafor@larkmoor.example', false],
    ['WaryHeron2026!!', false],
    ['larkmoor1234', false],
    ['heron.test-12', false],
    ['ingrid keeps eleven bees', true],
    ['the heron was not wary', true],
]);

it('takes passwords that people make up', function (string $password) {
    expect(CommonPasswords::isCommon($password))->toBeFalse();
})->with([
    'night-shift-demo',
    'a long password',
    'brand new and long',
    'lamps over ward seven',
    'Grünes Licht am Abend',
    '8 Reiher stehen still',
]);

it('hears a password to its end, and does not stumble over any sign in it', function () {
    $hasher = new Passwords(['rounds' => 4]);
    $long = str_repeat('x', 72);
    expect($hasher->check("{$long}one", $hasher->make("{$long}one")))
        ->toBeTrue()
        ->and($hasher->check("{$long}two", $hasher->make("{$long}one")))
        ->toBeFalse();
    expect($hasher->check("a\0b", $hasher->make("a\0b")))
        ->toBeTrue()
        ->and($hasher->check("a\0c", $hasher->make("a\0b")))
        ->toBeFalse();
    // what was kept before still opens
    expect(
        $hasher->check('a long password', password_hash('a long password', PASSWORD_BCRYPT, ['cost' => 4])),
    )->toBeTrue();
});

it('lets nobody guess the password of an open session without end', function () {
    $anna = (new World())->people['anna'];
    $this->actingAs($anna);
    foreach (range(1, 6) as $try) {
        $this->put('/account', [
            'name' => 'Anna',
            'current_password' => "guess {$try}",
            'password' => 'brand new and long',
            'password_confirmation' => 'brand new and long',
        ])->assertSessionHasErrors('current_password');
    }
    $this->putJson('/account', [
        'name' => 'Anna',
        'current_password' => 'a long password',
        'password' => 'brand new and long',
        'password_confirmation' => 'brand new and long',
    ])->assertTooManyRequests();
});

it('ends links for a new password when the password has changed', function () {
    $anna = (new World())->people['anna'];
    $token = Password::createToken($anna);
    $this->actingAs($anna)
        ->put('/account', [
            'name' => 'Anna',
            'current_password' => 'a long password',
            'password' => 'brand new and long',
            'password_confirmation' => 'brand new and long',
        ])
        ->assertSessionHasNoErrors();
    expect(Password::tokenExists($anna->fresh(), $token))->toBeFalse();
});

it('ends a sign-in after thirty days, however busy, and lists where one is signed in', function () {
    $world = new World();
    DB::table('sessions')->insert([
        [
            'id' => str_repeat('a', 40),
            'user_id' => $world->people['anna']->id,
            'ip_address' => '10.1.2.3',
            'user_agent' => 'A browser on the ward',
            'payload' => '',
            'last_activity' => time(),
        ],
        [
            'id' => str_repeat('b', 40),
            'user_id' => $world->people['ben']->id,
            'ip_address' => '10.1.2.4',
            'user_agent' => 'Another',
            'payload' => '',
            'last_activity' => time(),
        ],
    ]);
    $this->post('/sign-in', ['email' => 'anna@heron.example', 'password' => 'a long password']);
    $this->get('/account')
        ->assertSee('A browser on the ward')
        ->assertDontSee('Another')
        ->assertDontSee(str_repeat('a', 40));
    $this->delete('/account/sessions', ['session' => hash('sha256', str_repeat('b', 40))]);
    expect(DB::table('sessions')->count())->toBe(2);
    $this->delete('/account/sessions', ['session' => hash('sha256', str_repeat('a', 40))])->assertSessionHas('notice');
    expect(DB::table('sessions')->pluck('user_id')->all())->toBe([$world->people['ben']->id]);
    $this->travel(29)->days();
    $this->get('/account')->assertOk();
    $this->travel(2)->days();
    $this->get('/account')->assertRedirect('/sign-in');
    $this->assertGuest();
});

it('writes down who came in, who was refused and what left the house', function () {
    $world = (new World())->withCriteria();
    config(['logging.channels.security' => ['driver' => 'monolog', 'handler' => TestHandler::class]]);
    Log::forgetChannel('security');
    $this->post('/sign-in', ['email' => 'anna@heron.example', 'password' => 'a wrong one']);
    $this->post('/sign-in', ['email' => 'anna@heron.example', 'password' => 'a long password']);
    $this->put('/account', [
        'name' => 'Anna',
        'current_password' => 'a long password',
        'password' => 'brand new and long',
        'password_confirmation' => 'brand new and long',
    ]);
    $review = "/reviews/{$world->review->id}";
    $this->put("{$review}/question", ['title' => 'x'])->assertForbidden();
    $this->get("{$review}/exports/decisions.csv")->assertOk();
    $this->post('/sign-out');
    $records = Log::channel('security')->getLogger()->getHandlers()[0]->getRecords();
    expect(array_column(array_map(fn ($record): array => $record->toArray(), $records), 'message'))->toBe([
        'sign-in failed',
        'signed in',
        'password changed',
        'refused',
        'taken out',
        'signed out',
    ]);
    expect($records[3]->context)
        ->toMatchArray(['who' => $world->people['anna']->id, 'route' => 'question.update'])
        ->and($records[4]->context['route'])
        ->toBe('exports.decisions');
    expect(json_encode($records))->not->toContain('wrong')->not->toContain('brand new')->not->toContain('anna@');
});

it('keeps nobody out when its log cannot be written', function () {
    new World();
    config(['logging.channels.security' => ['driver' => 'single', 'path' => '/proc/none/security.log']]);
    Log::forgetChannel('security');
    $this->post('/sign-in', ['email' => 'anna@heron.example', 'password' => 'a long password'])->assertRedirect('/');
    $this->assertAuthenticated();
});

it('counts who asks by a query, and nobody who only looks', function () {
    $world = new World();
    $library = route('library', $world->review);

    $this->actingAs($world->people['anna'])->get($library)->assertOk()->assertHeaderMissing('X-RateLimit-Limit');
    $this->get("{$library}?q=lamps")->assertHeader('X-RateLimit-Limit', '120')->assertHeader('X-RateLimit-Remaining', '119');
});
