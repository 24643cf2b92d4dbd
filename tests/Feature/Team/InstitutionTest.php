<?php

namespace Tests\Feature\Team;

use App\Models\InstitutionAccount;
use App\Models\User;
use Closure;
use Firebase\JWT\JWT;
use Illuminate\Http\Client\Factory;
use Illuminate\Support\Facades\Http;
use Tests\Feature\World;
use WaryHeron\Standins\Institution\SigningKey;

/** The person of the tests who has an account here and there. */
function inesHere(): User
{
    $ines = (new World())->people['lead'];
    $ines->update(['email' => 'ines.okafor@heron.example']);

    return $ines;
}

it('lets in whom the institution names, and knows them again when their address has changed', function () {
    $ines = inesHere();
    $brindle = Brindle::answers();
    $this->get('/sign-in')->assertSeeText('Sign in by Brindle Vale University');
    $brindle->comeBackAs('bv-0001')->assertRedirect('/');
    $this->assertAuthenticatedAs($ines);
    $this->post('/sign-out');
    $ines->update(['email' => 'ines@elsewhere.example']);
    $brindle->comeBackAs('bv-0001');
    $this->assertAuthenticatedAs($ines);
    expect(InstitutionAccount::query()->count())->toBe(1);
});

it('lets nobody in by an address that is not confirmed, or that nobody here has', function (string $person, string $says) {
    inesHere();
    Brindle::answers()->comeBackAs($person)->assertRedirect('/sign-in')->assertSessionHas(
        'problem',
        fn (string $why): bool => str_contains($why, $says),
    );
    $this->assertGuest();
    expect(InstitutionAccount::query()->count())->toBe(0);
})->with([['bv-0004', 'by which address'], ['bv-0003', 'odile.ferrand@brindlevale.example']]);

it('makes an account for a newcomer where the copy says so', function () {
    inesHere();
    $brindle = Brindle::answers();
    config(['heron.institution.newcomers' => true]);
    $brindle->comeBackAs('bv-0003')->assertRedirect('/');
    expect(User::withAddress('odile.ferrand@brindlevale.example')?->name)->toBe('Odile Ferrand');
});

it('takes no token that is not right', function (Closure $token) {
    inesHere();
    Brindle::answers($token)->comeBackAs('bv-0001')->assertRedirect('/sign-in')->assertSessionHas('problem');
    $this->assertGuest();
})->with([
    'another issuer' => [fn (array $claims, SigningKey $key): string => $key->signed([...$claims, 'iss' => 'http://sso.evil.test'])],
    'another audience' => [fn (array $claims, SigningKey $key): string => $key->signed([...$claims, 'aud' => 'another-client'])],
    'many audiences, made for another' => [
        fn (array $claims, SigningKey $key): string => $key->signed([...$claims, 'aud' => ['wary-heron', 'other'], 'azp' => 'other']),
    ],
    'another nonce' => [fn (array $claims, SigningKey $key): string => $key->signed([...$claims, 'nonce' => 'of yesterday'])],
    'no nonce' => [fn (array $claims, SigningKey $key): string => $key->signed(array_diff_key($claims, ['nonce' => 1]))],
    'over' => [fn (array $claims, SigningKey $key): string => $key->signed([...$claims, 'exp' => now()->getTimestamp() - 31])],
    'no end' => [fn (array $claims, SigningKey $key): string => $key->signed(array_diff_key($claims, ['exp' => 1]))],
    'a clock that is ahead' => [
        fn (array $claims, SigningKey $key): string => $key->signed([...$claims, 'iat' => now()->getTimestamp() + 120]),
    ],
    'nobody' => [fn (array $claims, SigningKey $key): string => $key->signed(array_diff_key($claims, ['sub' => 1]))],
    'another key under the same name' => [fn (array $claims): string => SigningKey::made()->signed($claims)],
    'another key' => [fn (array $claims): string => SigningKey::made('of a stranger')->signed($claims)],
    'no signature' => [
        fn (array $claims): string => JWT::urlsafeB64Encode('{"alg":"none","kid":"of today"}').'.'.JWT::urlsafeB64Encode(json_encode($claims)).'.',
    ],
    'the public key as a secret' => [
        fn (array $claims, SigningKey $key): string => JWT::encode($claims, str_pad($key->public()['n'], 64), 'HS256', 'of today'),
    ],
    'no token' => [fn (): string => 'x.y'],
]);

it('takes clocks that differ by half a minute', function () {
    $ines = inesHere();
    Brindle::answers(fn (array $claims, SigningKey $key): string => $key->signed([...$claims, 'exp' => now()->getTimestamp() - 20]))->comeBackAs('bv-0001');
    $this->assertAuthenticatedAs($ines);
});

it('asks for the keys of the day once a token names one that is not remembered', function () {
    $ines = inesHere();
    $brindle = Brindle::answers();
    cache()->put('institution keys '.Brindle::URL, ['keys' => [SigningKey::made('of yesterday')->public()]], 600);
    $brindle->comeBackAs('bv-0001');
    $this->assertAuthenticatedAs($ines);
});

it('takes a way back once, and only that of whoever went', function () {
    inesHere();
    $brindle = Brindle::answers();
    $back = $brindle->choose('bv-0001');
    $this->get('/sign-in/institution/back?'.http_build_query([...$back, 'state' => 'another']))->assertSessionHas('problem');
    $this->get('/sign-in/institution/back?'.http_build_query($back))->assertSessionHas('problem');
    $this->assertGuest();
    $brindle->comeBackAs('bv-0001', ['code' => 'made-up.code'])->assertSessionHas('problem');
    $brindle->comeBackAs('bv-0001', ['code' => '', 'error' => 'access_denied'])->assertSessionHas('problem');
    $back = $brindle->choose('bv-0001');
    $this->travel(11)->minutes();
    $this->get('/sign-in/institution/back?'.http_build_query($back))->assertSessionHas('problem');
    $this->assertGuest();
    $this->flushSession();
    $this->get('/sign-in/institution/back?'.http_build_query($back))->assertSessionHas('problem');
    $this->assertGuest();
});

it('asks for the second factor after the institution too', function () {
    $ines = inesHere();
    withFactor($ines);
    Brindle::answers()->comeBackAs('bv-0001')->assertRedirect('/sign-in/second');
    $this->assertGuest();
});

it('is nowhere where no institution is set up, and says so where it does not answer', function () {
    inesHere();
    config(['heron.institution.issuer' => null]);
    $this->get('/sign-in')->assertDontSeeText('Sign in by');
    $this->get('/sign-in/institution')->assertNotFound();
    Brindle::answers();
    Http::swap(new Factory(app('events')));
    Http::fake(fn () => Http::response('', 503));
    $this->get('/sign-in/institution')->assertRedirect('/sign-in')->assertSessionHas(
        'problem',
        fn (string $why): bool => str_contains($why, 'does not answer'),
    );
});
