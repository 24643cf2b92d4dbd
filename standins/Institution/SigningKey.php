<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Institution;

use Firebase\JWT\JWT;
use OpenSSLAsymmetricKey;
use RuntimeException;

/** A pair of RSA keys by which tokens are signed, and codes with them. */
final readonly class SigningKey
{
    public function __construct(private OpenSSLAsymmetricKey $key, private string $name)
    {
    }

    public static function made(string $name = 'of today'): self
    {
        return new self(
            openssl_pkey_new(['private_key_bits' => 2048, 'private_key_type' => OPENSSL_KEYTYPE_RSA])
                ?: throw new RuntimeException('No key could be made.'),
            $name,
        );
    }

    /** The same one as long as the file stays; made when it is first asked for. */
    public static function keptAt(string $file): self
    {
        $stored = is_file($file) ? openssl_pkey_get_private((string) file_get_contents($file)) : false;
        if ($stored !== false) {
            return new self($stored, 'of today');
        }
        $made = self::made();
        openssl_pkey_export($made->key, $text);
        // whoever comes second takes the one of whoever came first
        $new = tempnam(dirname($file), 'key');
        file_put_contents((string) $new, $text);
        @link((string) $new, $file);
        unlink((string) $new);

        return self::keptAt($file);
    }

    /** @return array<string, string> as JSON Web Key (RFC 7517) */
    public function public(): array
    {
        /** @var array{rsa: array{n: string, e: string}} $parts */
        $parts = openssl_pkey_get_details($this->key);

        return [
            'kty' => 'RSA',
            'kid' => $this->name,
            'alg' => 'RS256',
            'use' => 'sig',
            'n' => JWT::urlsafeB64Encode($parts['rsa']['n']),
            'e' => JWT::urlsafeB64Encode($parts['rsa']['e']),
        ];
    }

    /** @param  array<string, mixed>  $claims */
    public function signed(array $claims, string $algorithm = 'RS256'): string
    {
        return JWT::encode($claims, $this->key, $algorithm, $this->name);
    }

    /** @param  array<string, mixed>  $what */
    public function sealed(array $what): string
    {
        $text = JWT::urlsafeB64Encode(JWT::jsonEncode($what));
        openssl_sign($text, $signature, $this->key, OPENSSL_ALGO_SHA256);

        return $text.'.'.JWT::urlsafeB64Encode($signature);
    }

    /** @return ?array<string, mixed> null for what was not sealed here */
    public function opened(string $sealed): ?array
    {
        [$text, $signature] = explode('.', $sealed, 2) + ['', ''];
        /** @var array{key: string} $details */
        $details = openssl_pkey_get_details($this->key);
        $isOurs = openssl_verify($text, JWT::urlsafeB64Decode($signature), $details['key'], OPENSSL_ALGO_SHA256) === 1;

        return $isOurs ? (array) json_decode(JWT::urlsafeB64Decode($text), true) : null;
    }
}
