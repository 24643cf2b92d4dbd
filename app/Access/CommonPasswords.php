<?php

declare(strict_types=1);

namespace App\Access;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/**
 * Refuses passwords that are tried first: common ones, also with digits around them or written twice, repetitions and
 * sequences.
 */
final class CommonPasswords implements ValidationRule
{
    private const LOOKALIKES = [
        '@' => 'a',
        '4' => 'a',
        '3' => 'e',
        '1' => 'i',
        '!' => 'i',
        '0' => 'o',
        '$' => 's',
        '5' => 's',
        '7' => 't',
    ];

    private const SEQUENCES = [
        'abcdefghijklmnopqrstuvwxyz',
        '01234567890123456789',
        'qwertyuiopasdfghjklzxcvbnm',
        'qwertzuiopasdfghjklyxcvbnm',
    ];

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (is_string($value) && self::isCommon($value)) {
            $fail(
                'This password is one of those that are tried first. Choose another, say a few words in a row that belong to nobody else.',
            );
        }
    }

    public static function isCommon(string $password): bool
    {
        $small = mb_strtolower($password);
        if (preg_match('/^(.{1,6})\1+.{0,5}$/us', $small) === 1 || self::isSequence($small)) {
            return true;
        }
        $half = mb_substr($small, 0, intdiv(mb_strlen($small), 2));
        $forms = [$small, ...$half.$half === $small ? [$half] : []];
        foreach ($forms as $form) {
            $bare = (string) preg_replace('/^[^\p{L}]+|[^\p{L}]+$/u', '', $form);
            array_push($forms, $bare, strtr($form, self::LOOKALIKES), strtr($bare, self::LOOKALIKES));
        }

        return array_intersect(array_filter($forms, fn (string $form): bool => mb_strlen($form) >= 8), self::all()) !==
            [];
    }

    private static function isSequence(string $small): bool
    {
        $letters = (string) preg_replace('/[^\p{L}\p{N}]/u', '', $small);
        foreach (self::SEQUENCES as $sequence) {
            if (
                strlen($letters) >= 8 &&
                (str_contains($sequence, $letters) || str_contains(strrev($sequence), $letters))
            ) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> */
    private static function all(): array
    {
        $lines = file(resource_path('common-passwords.txt'), FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [];

        return array_values(array_filter($lines, fn (string $line): bool => ! str_starts_with($line, '#')));
    }
}
