<?php

declare(strict_types=1);

namespace App\Access;

/**
 * Time-based one-time passwords as RFC 6238 has them, with what authenticator apps expect: HMAC-SHA-1, six digits,
 * thirty seconds. Of the registries that are at hand none offers a library for it.
 */
final class Totp
{
    private const SECONDS = 30;

    /** Bytes of a key: as many as the hash has (RFC 4226, section 4). */
    private const BYTES = 20;

    /** Clocks differ: a code of one step before or after is taken too (RFC 6238, section 5.2). */
    private const DRIFT = 1;

    private const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** @return string a new key in base 32 (RFC 4648), without padding */
    public static function newKey(): string
    {
        return self::base32(random_bytes(self::BYTES));
    }

    public static function step(int $timestamp): int
    {
        return intdiv($timestamp, self::SECONDS);
    }

    /** @param  string  $key  its bytes */
    public static function code(string $key, int $step, int $digits = 6): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $key, true);
        $at = ord($hash[19]) & 0x0F;
        /** @var array{1: int} $number */
        $number = unpack('N', substr($hash, $at, 4));

        return str_pad((string) (($number[1] & 0x7FFFFFFF) % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /**
     * @param  string  $key  in base 32
     * @param  int  $after  the last step whose code was taken: each is taken once
     * @return ?int the step whose code it is; null for a wrong one
     */
    public static function stepOf(string $key, string $code, int $timestamp, int $after): ?int
    {
        $bytes = self::bytes($key);
        $found = null;
        for ($step = self::step($timestamp) - self::DRIFT; $step <= self::step($timestamp) + self::DRIFT; $step++) {
            // all are looked at, so that the time does not tell which
            if (hash_equals(self::code($bytes, $step), $code) && $step > $after) {
                $found ??= $step;
            }
        }

        return $found;
    }

    /** What an authenticator app reads from a picture. */
    public static function address(string $issuer, string $account, string $key): string
    {
        [$issuer, $account] = [rawurlencode($issuer), rawurlencode($account)];

        return "otpauth://totp/{$issuer}:{$account}?secret={$key}&issuer={$issuer}&algorithm=SHA1&digits=6&period=".self::SECONDS;
    }

    public static function base32(string $bytes): string
    {
        $bits = '';
        foreach (str_split($bytes) as $byte) {
            $bits .= str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT);
        }

        return implode('', array_map(
            fn (string $five): string => self::ALPHABET[(int) bindec(str_pad($five, 5, '0'))],
            str_split($bits, 5),
        ));
    }

    public static function bytes(string $base32): string
    {
        $bits = '';
        foreach (str_split($base32) as $letter) {
            $bits .= str_pad(decbin((int) strpos(self::ALPHABET, $letter)), 5, '0', STR_PAD_LEFT);
        }
        $whole = str_split(substr($bits, 0, intdiv(strlen($bits), 8) * 8), 8);

        return implode('', array_map(fn (string $eight): string => chr((int) bindec($eight)), $whole));
    }
}
