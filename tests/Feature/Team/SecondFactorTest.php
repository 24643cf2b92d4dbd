<?php

namespace Tests\Feature\Team;

use App\Access\Totp;
use App\Actions\Team\ChangeSecondFactor;
use App\Models\SecondFactor;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/** @return list<string> recovery codes of a factor that is on */
function withFactor(User $user): array
{
    $factor = app(ChangeSecondFactor::class)->begin($user);

    return app(ChangeSecondFactor::class)->confirm($user, shownBy($factor)) ?? throw new \LogicException('It was not taken.');
}

/** What the device shows so many steps from now. */
function shownBy(SecondFactor $factor, int $later = 0): string
{
    return Totp::code(Totp::bytes($factor->key), Totp::step(now()->getTimestamp()) + $later);
}

function says(string $password = 'a long password'): void
{
    test()->post('/sign-in', ['email' => 'anna@heron.example', 'password' => $password]);
}

it('reckons as RFC 6238 does', function (int $time, string $code) {
    expect(Totp::code('12345678901234567890', Totp::step($time), 8))->toBe($code);
})->with([
    [59, '94287082'],
    [1111111109, '07081804'],
    [1111111111, '14050471'],
    [1234567890, '89005924'],
    [2000000000, '69279037'],
    [20000000000, '65353130'],
]);

it('writes keys as RFC 4648 has base 32, and reads them back', function (string $bytes, string $base32) {
    expect(Totp::base32($bytes))->toBe($base32)->and(Totp::bytes($base32))->toBe($bytes);
})->with([['f', 'MY'], ['fo', 'MZXQ'], ['foo', 'MZXW6'], ['foob', 'MZXW6YQ'], ['fooba', 'MZXW6YTB'], ['foobar', 'MZXW6YTBOI']]);

it('takes a code of a minute around, and each once', function (int $later, bool $isTaken) {
    $key = Totp::newKey();
    $now = 1_800_000_000;
    $code = Totp::code(Totp::bytes($key), Totp::step($now) + $later);
    $step = Totp::stepOf($key, $code, $now, 0);
    expect($step !== null)->toBe($isTaken);
    $isTaken && expect(Totp::stepOf($key, $code, $now, $step))->toBeNull();
})->with([[-2, false], [-1, true], [0, true], [1, true], [2, false]]);

it('asks for the code after the password, and lets nobody in by the password alone', function () {
    $anna = (new World())->people['anna'];
    withFactor($anna);
    says('wrong');
    $this->get('/sign-in/second')->assertRedirect('/sign-in');
    says();
    $this->assertGuest();
    $this->get('/')->assertRedirect('/sign-in');
    $this->get('/sign-in/second')->assertOk()->assertSeeText('Code of your device');
    $this->post('/sign-in/second', ['code' => '000000'])->assertSessionHasErrors('code');
    $this->assertGuest();
    $factor = SecondFactor::of($anna);
    $this->post('/sign-in/second', ['code' => shownBy($factor, 1)])->assertRedirect('/');
    $this->assertAuthenticatedAs($anna);
    $this->post('/sign-out');
    says();
    // the code that let them in lets nobody in who looked over their shoulder
    $this->post('/sign-in/second', ['code' => shownBy($factor, 1)])->assertSessionHasErrors('code');
    $this->travel(11)->minutes();
    $this->post('/sign-in/second', ['code' => shownBy($factor)])->assertRedirect('/sign-in');
    $this->assertGuest();
});

it('takes each recovery code once, however it is written', function () {
    $anna = (new World())->people['anna'];
    $codes = withFactor($anna);
    expect($codes)->toHaveCount(10)->and(DB::table('second_factors')->value('recovery'))->not->toContain(str_replace('-', '', $codes[0]));
    says();
    $this->post('/sign-in/second', ['code' => ' '.mb_strtolower(str_replace('-', ' ', $codes[3]))])->assertRedirect('/');
    $this->post('/sign-out');
    says();
    $this->post('/sign-in/second', ['code' => $codes[3]])->assertSessionHasErrors('code');
    expect(SecondFactor::of($anna)->recovery)->toHaveCount(9);
});

it('outlives a change of the key by which it is kept', function () {
    $anna = (new World())->people['anna'];
    $codes = withFactor($anna);
    $before = config('app.key');
    config(['app.key' => 'base64:'.base64_encode(random_bytes(32)), 'app.previous_keys' => [$before]]);
    app()->forgetInstance('encrypter');
    SecondFactor::encryptUsing(app('encrypter'));
    says();
    $this->post('/sign-in/second', ['code' => $codes[0]])->assertRedirect('/');
    expect(app(ChangeSecondFactor::class)->takes($anna, shownBy(SecondFactor::of($anna), 1)))->toBeTrue();
    SecondFactor::encryptUsing(null);
});

it('slows down guessing of codes, from wherever it comes', function () {
    withFactor((new World())->people['anna']);
    says();
    foreach (range(1, 6) as $try) {
        $this->post('/sign-in/second', ['code' => "00000{$try}"], ['REMOTE_ADDR' => "10.0.0.{$try}"]);
    }
    $this->postJson('/sign-in/second', ['code' => '000007'])->assertTooManyRequests();
});

it('is set up by a code of the device, shows its recovery codes once, and is taken off', function () {
    $anna = (new World())->people['anna'];
    $this->showingWho()->actingAs($anna);
    $this->post('/account/second-factor')->assertRedirect();
    $factor = SecondFactor::query()->sole();
    $this->get('/account')->assertOk()->assertSee("secret={$factor->key}", false);
    expect(DB::table('second_factors')->value('key'))->not->toContain($factor->key)->and(SecondFactor::of($anna))->toBeNull();
    $this->put('/account/second-factor', ['code' => '000000'])->assertSessionHasErrors('code');
    $this->put('/account/second-factor', ['code' => shownBy($factor)])->assertSessionHas('recovery');
    $first = session('recovery');
    $this->get('/account')->assertSeeText($first[0])->assertDontSee($factor->key);
    $this->get('/account')->assertDontSeeText($first[0])->assertSeeText('10 of your recovery codes are left');
    $this->post('/account/second-factor/codes');
    expect(array_intersect($first, session('recovery')))->toBe([]);
    $this->delete('/account/second-factor');
    expect(SecondFactor::query()->count())->toBe(0);
});

it('asks for the password again before what lets others in, and then goes on', function () {
    $world = new World();
    $this->actingAs($world->people['lead']);
    $token = "/reviews/{$world->review->id}/interface/tokens";
    $given = ['name' => 'nightly', 'abilities' => ['read'], 'days' => 30];
    $this->from("/reviews/{$world->review->id}/interface")->post($token, $given)->assertRedirect('/account/who-again');
    $this->post('/account/second-factor')->assertRedirect('/account/who-again');
    $this->postJson($token, $given)->assertStatus(423);
    $this->get('/account/who-again')->assertOk();
    $this->post('/account/who-again', ['password' => 'guessed'])->assertSessionHasErrors('password');
    $this->post('/account/who-again', ['password' => 'a long password'])->assertRedirect();
    $this->post($token, $given)->assertSessionHas('token');
    $this->travel(16)->minutes();
    $this->post($token, $given)->assertRedirect('/account/who-again');
});

it('is taken off by whoever runs the copy, which ends the sign-ins of that person', function () {
    $anna = (new World())->people['anna'];
    withFactor($anna);
    $this->artisan('heron:second-factor', ['email' => 'nobody@heron.example'])->assertExitCode(2);
    $this->artisan('heron:second-factor', ['email' => 'ben@heron.example'])->assertExitCode(2);
    $this->artisan('heron:second-factor', ['email' => 'ANNA@heron.example'])->assertSuccessful();
    expect(SecondFactor::of($anna))->toBeNull();
});

it('lets whoever runs the copy end where one person, or everybody, is signed in', function () {
    $people = (new World())->people;
    $signIn = fn (string $who) => DB::table('sessions')->insert([
        'id' => str_pad($who, 40, 'x'),
        'user_id' => $people[$who]->id,
        'payload' => '',
        'last_activity' => now()->getTimestamp(),
    ]);
    array_map($signIn, ['anna', 'ben', 'lead']);
    $left = fn (): array => DB::table('sessions')->orderBy('id')->pluck('user_id')->all();
    $this->artisan('heron:sign-out')->assertExitCode(2);
    $this->artisan('heron:sign-out', ['email' => 'anna@heron.example', '--everybody' => true])->assertExitCode(2);
    $this->artisan('heron:sign-out', ['email' => 'nobody@heron.example'])->assertExitCode(2);
    expect($left())->toHaveCount(3);
    $this->artisan('heron:sign-out', ['email' => 'ANNA@heron.example'])->assertSuccessful();
    expect($left())->toBe([$people['ben']->id, $people['lead']->id]);
    $this->artisan('heron:sign-out', ['--everybody' => true])->assertSuccessful();
    expect($left())->toBe([]);
});

it('is asked of everybody where the copy says so, before anything else', function () {
    config(['heron.second_factor_required' => true]);
    $world = new World();
    $anna = $world->people['anna'];
    $review = "/reviews/{$world->review->id}/question";
    says();
    $this->get($review)->assertRedirect('/account#second-factor')->assertSessionHas('problem');
    $this->getJson($review)->assertForbidden();
    $this->get('/account')->assertOk()->assertSeeText('Set up a second factor');
    $this->post('/account/second-factor');
    $this->put('/account/second-factor', ['code' => shownBy(SecondFactor::query()->sole())])->assertSessionHas('recovery');
    $this->get($review)->assertOk();
    app(ChangeSecondFactor::class)->remove($anna);
    $this->post('/sign-out');
    says();
    $this->get('/')->assertRedirect('/account#second-factor');
});
