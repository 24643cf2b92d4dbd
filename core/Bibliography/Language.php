<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/**
 * Languages by one name each, however a source writes them: codes of ISO 639-1, 639-2 (both kinds) and BCP 47,
 * English names, the languages' own, and those that other languages give them. What is none of these stays as it is.
 */
final class Language
{
    /** Words that sources write for a language and neither codes nor its names cover. */
    private const ALSO = [
        'unknown language' => '',
        'undetermined' => '',
        'castilian' => 'Spanish',
        'castellano' => 'Spanish',
        'flemish' => 'Dutch',
        'farsi' => 'Persian',
        'mandarin' => 'Chinese',
        'ukenglish' => 'English',
        'usenglish' => 'English',
        'british' => 'English',
        'american' => 'English',
        'ngerman' => 'German',
        'brazil' => 'Portuguese',
        'norwegian bokmål' => 'Norwegian',
        'norwegian nynorsk' => 'Norwegian',
    ];

    /** Languages in which sources name languages: "anglais", "Englisch", "inglés". */
    private const WRITERS = [
        'fr', 'de', 'es', 'it', 'pt', 'nl', 'sv', 'da', 'nb', 'fi', 'pl', 'cs', 'hu', 'tr', 'ru', 'uk',
    ];

    /** @var array<string, string>|null English name by each name, in lower case */
    private static ?array $names = null;

    /** @var array<string, string>|null */
    private static ?array $elsewhere = null;

    /** "en", "eng", "EN-gb" and "English" become "English"; several are joined by "; ". */
    public static function named(string $written): string
    {
        $parts = preg_split('/\s*(?:[;,\/|]|\band\b|\+)\s*/iu', trim($written), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return implode(
            '; ',
            array_values(
                array_unique(array_filter(array_map(self::one(...), $parts), fn (string $one): bool => $one !== '')),
            ),
        );
    }

    private static function one(string $written): string
    {
        self::$names ??= self::names();
        $lower = mb_strtolower(trim($written, " \t.()[]"));
        $found = self::$names[$lower] ?? null;
        if ($found === null && preg_match('/^([a-z]{2,3})(?:[-_][a-z0-9_-]+)?$/', $lower, $tag) === 1) {
            $name = (string) \Locale::getDisplayLanguage($tag[1], 'en');
            $found = $name === $tag[1] ? null : self::ALSO[mb_strtolower($name)] ?? $name;
        }

        return $found ?? self::onlyNamed($lower) ?? self::elsewhere($lower) ?? trim($written);
    }

    /** The only language that a text names: "fr French language", "Text in English". */
    private static function onlyNamed(string $lower): ?string
    {
        $words = array_filter(preg_split('/[^\p{L}]+/u', $lower) ?: [], fn (string $word): bool => strlen($word) > 3);
        $named = array_map(fn (string $word): ?string => self::$names[$word] ?? null, $words);
        $named = array_values(array_unique(array_filter($named)));

        return count($named) === 1 ? $named[0] : null;
    }

    /** @return array<string, string> English name by name, of all that ISO 639-1 has a code for */
    private static function names(): array
    {
        $names = [];
        foreach (self::codes() as $code => $name) {
            $own = mb_strtolower((string) \Locale::getDisplayLanguage($code, $code));
            $names += [mb_strtolower($name) => $name, $own => $name];
        }

        return self::ALSO + $names;
    }

    /** What another language calls it; looked up last, since there are thousands of such names. */
    private static function elsewhere(string $lower): ?string
    {
        if (self::$elsewhere === null) {
            self::$elsewhere = [];
            foreach (self::WRITERS as $writer) {
                foreach (self::codes() as $code => $name) {
                    $called = mb_strtolower((string) \Locale::getDisplayLanguage($code, $writer));
                    self::$elsewhere += [$called => $name];
                }
            }
        }

        return self::$elsewhere[$lower] ?? null;
    }

    /** @return array<string, string> English name by code */
    private static function codes(): array
    {
        /** @var array<string, string> $codes */
        static $codes = [];
        foreach ($codes === [] ? range('a', 'z') : [] as $first) {
            foreach (range('a', 'z') as $second) {
                $name = \Locale::getDisplayLanguage($first.$second, 'en');
                if ($name !== '' && $name !== false && $name !== $first.$second) {
                    $codes[$first.$second] = self::ALSO[mb_strtolower($name)] ?? $name;
                }
            }
        }

        return $codes;
    }
}
