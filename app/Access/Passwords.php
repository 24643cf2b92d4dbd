<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Contracts\Validation\ValidationRule;
use Illuminate\Hashing\BcryptHasher;
use Illuminate\Validation\Rules\Password;

/**
 * Bcrypt of the whole password: it would hear 72 bytes and stop at a NUL, so what is longer or has one is digested
 * first.
 */
final class Passwords extends BcryptHasher
{
    private const HEARD = 72;

    /**
     * What a new password has to be.
     *
     * @param  ?string  ...$said  names and addresses of the person
     * @return list<string|Password|ValidationRule>
     */
    public static function rules(?string ...$said): array
    {
        $own = new OwnWords(array_values(array_filter($said)));

        return ['string', 'confirmed', 'max:200', Password::min(12), new CommonPasswords(), $own];
    }

    /**
     * @param  string  $value
     * @param  array<string, mixed>  $options
     */
    public function make(#[\SensitiveParameter] $value, array $options = []): string
    {
        return parent::make(self::heard($value), $options);
    }

    /**
     * @param  string  $value
     * @param  ?string  $hashedValue
     * @param  array<string, mixed>  $options
     */
    public function check(#[\SensitiveParameter] $value, $hashedValue, array $options = []): bool
    {
        return parent::check(self::heard($value), (string) $hashedValue, $options);
    }

    private static function heard(#[\SensitiveParameter] string $value): string
    {
        return strlen($value) > self::HEARD || str_contains($value, "\0")
            ? base64_encode(hash('sha384', $value, true))
            : $value;
    }
}
