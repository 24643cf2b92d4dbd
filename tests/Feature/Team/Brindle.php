<?php

namespace Tests\Feature\Team;

use Closure;
use Firebase\JWT\JWT;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use Illuminate\Testing\TestResponse;
use WaryHeron\Standins\Institution\Institution;
use WaryHeron\Standins\Institution\SigningKey;

/** The stand-in of a university, answering in this process, with what it says of people changed where a test wishes it. */
final class Brindle
{
    public const URL = 'http://sso.test/institution';

    /** One for all tests: to make one takes as long as ten of them. */
    private static ?SigningKey $made = null;

    private readonly Institution $there;

    private function __construct(public readonly SigningKey $key)
    {
        $this->there = new Institution(self::URL, $key);
    }

    /** @param  (Closure(array<string, mixed>, SigningKey): string)|null  $token  made of its claims instead of its own */
    public static function answers(?Closure $token = null): self
    {
        $brindle = new self(self::$made ??= SigningKey::made());
        config(['heron.institution' => [
            'issuer' => self::URL, 'client' => 'wary-heron', 'secret' => 'of the test', 'name' => Institution::NAME, 'newcomers' => false,
        ]]);
        Http::fake(function (Request $request) use ($brindle, $token) {
            parse_str($request->body(), $given);
            [$status, , $content] = $brindle->there->answer(
                substr((string) parse_url($request->url(), PHP_URL_PATH), strlen('/institution/')),
                $given,
                now()->getTimestamp(),
            );
            $answer = json_decode($content, true);
            if ($token !== null && isset($answer['id_token'])) {
                $claims = json_decode(JWT::urlsafeB64Decode(explode('.', $answer['id_token'])[1]), true);
                $answer['id_token'] = $token($claims, $brindle->key);
            }

            return Http::response($answer, $status);
        });

        return $brindle;
    }

    /** Sends a person there and back. */
    public function comeBackAs(string $person, array $instead = []): TestResponse
    {
        return test()->get('/sign-in/institution/back?'.http_build_query([...$this->choose($person), ...$instead]));
    }

    /** @return array<string, string> what the way back says */
    public function choose(string $person): array
    {
        $to = (string) test()->get('/sign-in/institution')->assertRedirect()->headers->get('Location');
        parse_str((string) parse_url($to, PHP_URL_QUERY), $asked);
        [, $headers] = $this->there->answer('authorize', [...$asked, 'person' => $person], now()->getTimestamp());
        parse_str((string) parse_url($headers['Location'], PHP_URL_QUERY), $back);

        return $back;
    }
}
