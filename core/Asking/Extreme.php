<?php

declare(strict_types=1);

namespace WaryHeron\Core\Asking;

/** What a question may ask the most of, which is counted and not read. */
enum Extreme: string
{
    case Studies = 'most studies';
    case People = 'most people';
    case Largest = 'largest effect';
    case Smallest = 'smallest effect';
    case Surest = 'narrowest interval';
    case Varied = 'most heterogeneity';

    private const SIGNS = [
        '/\b(?:most|largest|biggest|strongest) (?:evidence|support)|\bbest supported\b|\bmost certain\b|\bmost precise/i' => self::Surest,
        '/\bheterogene|\bmost varied\b|\bdisagree(?:s|ing)? most\b|\bmost inconsistent\b/i' => self::Varied,
        '/\b(?:most|more) (?:\w+ ){0,3}?studies\b|\bmost often (?:studied|reported|measured)\b|\bmost studied\b/i' => self::Studies,
        '/\b(?:most|largest number of|more) (?:people|participants|patients|persons)\b|\blargest (?:studies|samples?|trials?)\b/i' => self::People,
        '/\b(?:largest|biggest|strongest|greatest|highest) (?:\w+ ){0,2}?(?:effects?|difference|finding|outcome|benefit|reduction|change)\b/i' => self::Largest,
        '/\b(?:smallest|weakest|least) (?:\w+ ){0,2}?(?:effects?|difference|finding|outcome|benefit|reduction|change)\b/i' => self::Smallest,
    ];

    /** @return list<self> */
    public static function in(string $question): array
    {
        $found = array_filter(self::SIGNS, fn (string $pattern): bool => preg_match($pattern, $question) === 1, ARRAY_FILTER_USE_KEY);

        return array_values($found);
    }
}
