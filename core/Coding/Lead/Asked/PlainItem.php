<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Asked;

/** Something that a person asks in plain words, as an item that the engine can look for. */
final class PlainItem
{
    private const TYPES = [
        '/^(?:for )?how long\b|\bduration\b/i' => ItemType::Duration,
        '/^(?:in )?(?:which|what) countr(?:y|ies)\b|^where\b/i' => ItemType::Country,
        '/^how (?:many|much|large|big|old|bright|high|loud|strong|far|often|heavy|warm)\b|^what (?:dose|number|share|percentage|age)\b|\bsample size\b|^number of\b/i' => ItemType::Number,
        '/\bp[ -]value\b/i' => ItemType::PValue,
        '/\b(?:effect size|risk ratio|odds ratio|confidence interval|estimate)\b/i' => ItemType::Estimate,
        '/\bregistration\b|\bregistered\b/i' => ItemType::Identifier,
    ];

    /** What plain words ask for, by the name that the readers know it under. */
    private const NAMES = [
        '/^how many\b.*\b(?:took part|participated|were (?:studied|included|enrolled|randomi[sz]ed|followed|asked)|people|participants|patients|nurses|staff|workers)\b|\bsample size\b|^how (?:large|big) (?:was|is) the (?:study|sample)/i' => 'participants_enrolled',
        '/^how old\b/i' => 'mean age',
        '/^who (?:paid|funded|financed)\b/i' => 'funding',
        '/\bcompared with what\b|^against what\b|^what was the comparison\b/i' => 'comparator',
        '/^what was (?:done|given|tried)\b/i' => 'intervention',
        '/^what was measured\b/i' => 'primary outcome',
    ];

    public static function of(string $question): AskedItem
    {
        $label = rtrim(trim($question), ' ?');

        return new AskedItem(self::name($label) ?: 'asked', $label, self::type($label));
    }

    /** What answers plain words; text where they do not say. */
    public static function type(string $label): ItemType
    {
        foreach (self::TYPES as $pattern => $type) {
            if (preg_match($pattern, $label) === 1) {
                return $type;
            }
        }

        return ItemType::Text;
    }

    /** The name that readers know plain words under; empty where they know none. */
    public static function name(string $label): string
    {
        foreach (self::NAMES as $pattern => $name) {
            if (preg_match($pattern, $label) === 1) {
                return $name;
            }
        }

        return '';
    }
}
