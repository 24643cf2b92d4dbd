<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Kin;

use WaryHeron\Core\Text\Stem;

/** Phrases that speak of one thing, and those that speak of its contrary: more of these is less of the thing. */
final readonly class Family
{
    /**
     * @param  list<list<string>>  $same  phrases as stems
     * @param  list<list<string>>  $contrary
     * @param  list<string>  $words  all of them as they are written
     */
    private function __construct(public array $same, public array $contrary, public array $words)
    {
    }

    /** @param  string  $line  phrases parted by commas; after a stroke those of the contrary */
    public static function told(string $line): self
    {
        [$same, $contrary] = [...explode('|', $line), ''];

        return new self(self::phrases($same), self::phrases($contrary), self::words($line));
    }

    /** @param  list<string>  $names  of one heading of a thesaurus */
    public static function ofHeading(array $names): self
    {
        $line = implode(',', $names);

        return new self(self::phrases($line), [], self::words($line));
    }

    /** @return list<string> */
    private static function words(string $told): array
    {
        return array_values(array_filter(array_map(trim(...), preg_split('/[,|]/', $told) ?: [])));
    }

    /** @return list<list<string>> */
    private static function phrases(string $told): array
    {
        $phrases = array_filter(array_map(Stem::all(...), explode(',', $told)));

        return array_values(
            array_combine(array_map(fn (array $one): string => implode(' ', $one), $phrases), $phrases),
        );
    }
}
