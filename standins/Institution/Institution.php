<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Institution;

use Firebase\JWT\JWT;

/**
 * A university that says who somebody is, by OpenID Connect: discovery, keys, a page on which one chooses to be one of its
 * made-up people, and tokens for a code with its verifier. It keeps nothing: a code holds what it is for, signed.
 */
final class Institution
{
    public const NAME = 'Brindle Vale University';

    private const CODE_SECONDS = 60;

    /** Its people by their own name there. */
    private const PEOPLE = [
        'bv-0001' => ['Ines Okafor', 'ines.okafor@heron.example', true],
        'bv-0002' => ['Karin Sollander', 'karin.sollander@heron.example', true],
        'bv-0003' => ['Odile Ferrand', 'odile.ferrand@brindlevale.example', true],
        'bv-0004' => ['Someone Unverified', 'ines.okafor@heron.example', false],
    ];

    /** @param  string  $url  its own address, as whoever asks it writes it */
    public function __construct(private string $url, private SigningKey $key)
    {
    }

    /**
     * @param  array<string, string>  $given
     * @return array{int, array<string, string>, string} status, headers and content
     */
    public function answer(string $what, array $given, int $now): array
    {
        return match ($what) {
            '.well-known/openid-configuration' => self::json($this->document()),
            'keys' => self::json(['keys' => [$this->key->public()]]),
            'authorize' => $this->asks($given, $now),
            'token' => $this->token($given, $now),
            default => [404, ['Content-Type' => 'text/plain'], "Nothing is here.\n"],
        };
    }

    /** @return array<string, mixed> */
    private function document(): array
    {
        return [
            'issuer' => $this->url,
            'authorization_endpoint' => "{$this->url}/authorize",
            'token_endpoint' => "{$this->url}/token",
            'jwks_uri' => "{$this->url}/keys",
            'response_types_supported' => ['code'],
            'subject_types_supported' => ['public'],
            'id_token_signing_alg_values_supported' => ['RS256'],
            'code_challenge_methods_supported' => ['S256'],
        ];
    }

    /**
     * @param  array<string, string>  $given
     * @return array{int, array<string, string>, string}
     */
    private function asks(array $given, int $now): array
    {
        $back = $given['redirect_uri'] ?? '';
        $chosen = $given['person'] ?? '';
        if (preg_match('~^https?://~', $back) !== 1 || ($given['code_challenge_method'] ?? '') !== 'S256') {
            return [400, ['Content-Type' => 'text/plain'], "A way back and an S256 challenge are needed.\n"];
        }
        if (! isset(self::PEOPLE[$chosen])) {
            return [200, ['Content-Type' => 'text/html; charset=utf-8'], $this->page($given)];
        }
        $code = $this->key->sealed([
            'sub' => $chosen,
            'client' => $given['client_id'] ?? '',
            'back' => $back,
            'nonce' => $given['nonce'] ?? '',
            'challenge' => $given['code_challenge'] ?? '',
            'until' => $now + self::CODE_SECONDS,
        ]);

        return [302, ['Location' => $back.'?'.http_build_query(['code' => $code, 'state' => $given['state'] ?? ''])], ''];
    }

    /** @param  array<string, string>  $given */
    private function page(array $given): string
    {
        $people = '';
        foreach (self::PEOPLE as $id => [$name, $address]) {
            $to = htmlspecialchars('?'.http_build_query([...$given, 'person' => $id]));
            $people .= "<p><a href=\"{$to}\">{$name}</a> <small>{$address}</small></p>";
        }

        return '<!doctype html><html lang="en-GB"><meta charset="utf-8"><title>'.self::NAME.'</title><h1>'.self::NAME.
            '</h1><p>A stand-in for a university’s own sign-in. Who are you?</p>'.$people.'</html>';
    }

    /**
     * @param  array<string, string>  $given
     * @return array{int, array<string, string>, string}
     */
    private function token(array $given, int $now): array
    {
        $code = $this->key->opened($given['code'] ?? '');
        $challenge = rtrim(strtr(base64_encode(hash('sha256', $given['code_verifier'] ?? '', true)), '+/', '-_'), '=');
        if (
            $code === null ||
            $code['until'] < $now ||
            $code['client'] !== ($given['client_id'] ?? '') ||
            $code['back'] !== ($given['redirect_uri'] ?? '') ||
            $code['challenge'] !== $challenge
        ) {
            return self::json(['error' => 'invalid_grant'], 400);
        }
        [$name, $address, $isVerified] = self::PEOPLE[(string) $code['sub']];

        return self::json(['token_type' => 'Bearer', 'access_token' => 'of no use', 'expires_in' => 60, 'id_token' => $this->key->signed([
            'iss' => $this->url,
            'sub' => $code['sub'],
            'aud' => $code['client'],
            'nonce' => $code['nonce'],
            'iat' => $now,
            'exp' => $now + self::CODE_SECONDS,
            'name' => $name,
            'email' => $address,
            'email_verified' => $isVerified,
        ])]);
    }

    /**
     * @param  array<string, mixed>  $what
     * @return array{int, array<string, string>, string}
     */
    private static function json(array $what, int $status = 200): array
    {
        return [$status, ['Content-Type' => 'application/json'], JWT::jsonEncode($what)];
    }
}
