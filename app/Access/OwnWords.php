<?php

declare(strict_types=1);

namespace App\Access;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/** Refuses passwords that are little more than the person's own name or address, or the name of this copy. */
final readonly class OwnWords implements ValidationRule
{
    /** What must be left of a password without them, in letters and digits. */
    private const LEFT = 8;

    /** @param  list<string>  $said  names and addresses of the person */
    public function __construct(private array $said)
    {
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (is_string($value) && $this->isMostly($value)) {
            $fail(
                'This password is little more than your name, your address or the name of this application. '.
                    'Choose another.',
            );
        }
    }

    private function isMostly(string $password): bool
    {
        $left = self::plain($password);
        $without = str_replace($this->words(), '', $left);

        return $without !== $left && mb_strlen($without) < self::LEFT;
    }

    /** @return list<string> the longest first */
    private function words(): array
    {
        $host = (string) parse_url((string) config('app.url'), PHP_URL_HOST);
        $all = [...$this->said, (string) config('app.name'), $host];
        $parts = fn (string $one): array => preg_split('/[^\p{L}\p{N}]+/u', $one) ?: [];
        $words = array_merge(...array_map($parts, $all));
        $words = array_unique(array_map(self::plain(...), array_filter([...$all, ...$words])));
        usort($words, fn (string $a, string $b): int => mb_strlen($b) <=> mb_strlen($a));

        return array_values(array_filter($words, fn (string $word): bool => mb_strlen($word) >= 3));
    }

    private static function plain(string $text): string
    {
        return (string) preg_replace('/[^\p{L}\p{N}]+/u', '', mb_strtolower(mb_scrub($text, 'UTF-8')));
    }
}
