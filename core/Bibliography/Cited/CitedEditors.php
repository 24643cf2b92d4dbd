<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

use WaryHeron\Core\Bibliography\Name;

/** @internal Who edited the book that a chapter stands in, wherever the reference names them. */
final class CitedEditors
{
    /** Where names may begin behind a title, looked at from the first. */
    private const TRIES = 8;

    /** “(Ed: Kolbe A)”, “(eds. O. Lind, A. Kolbe)”, “(O. Lind and A. Kolbe, eds.)” */
    private const IN_BRACKETS = '/\s?\((?:Eds?|Hrsg|Éds?)[.:]*\s(?<first>[^()]{3,200})\)'
        .'|\s\((?<last>(?:\p{Lu}|v[ao]n\s|d[ei]\s)[^()]{3,200}?)[,.]?\s(?:eds?|Hrsg|éds?)\.?\)/iu';

    /** What stands before the names. */
    private const BY = '/[,.]?\s[(\[]?(?:edited by:?|ed\. by|sous la direction de|dir\. par|editado por|a cura di|hg\. v(?:on|\.)'
        .'|herausgegeben von|eds?[.)\]]*|hrsg\. v(?:on|\.))\s+(?=\p{Lu})/iu';

    /**
     * @param  string  $text  what is left of it is the rest
     * @return list<Name>
     */
    public static function take(string &$text): array
    {
        return self::ahead($text) ?: self::inBrackets($text) ?: self::behind($text) ?: self::by($text);
    }

    /** @return list<Name> */
    private static function ahead(string &$text): array
    {
        $named = self::named($text);
        $text = $named === null ? $text : ltrim($named->rest, ' .,:');

        return $named->names ?? [];
    }

    /** @return list<Name> */
    private static function inBrackets(string &$text): array
    {
        if (preg_match(self::IN_BRACKETS, $text, $in) !== 1) {
            return [];
        }
        $named = CitedNames::called($in['first'].($in['last'] ?? ''));
        if ($named !== null) {
            [$before, $after] = explode($in[0], $text, 2);
            $text = ltrim($before.(preg_match('/^\s*[.,:;]/', $after) === 1 ? '' : '. ').$after, ' .,');
        }

        return $named->names ?? [];
    }

    /** @return list<Name> behind a comma or a full stop, with a word that says that they edited it */
    private static function behind(string &$text): array
    {
        preg_match_all('/[,.]\s(?=\p{Lu})/u', $text, $found, PREG_OFFSET_CAPTURE);
        foreach (array_slice(array_column($found[0], 1), 0, self::TRIES) as $at) {
            $named = self::named(substr($text, $at + 2));
            if ($named !== null) {
                $text = substr($text, 0, $at).'. '.ltrim($named->rest, ' .,');

                return $named->names;
            }
        }

        return [];
    }

    /** @return list<Name> */
    private static function by(string &$text): array
    {
        [$before, $behind] = [...(preg_split(self::BY, $text, 2) ?: []), '', ''];
        $named = $behind === '' ? null : CitedNames::called($behind) ?? CitedNames::readings($behind)['initialled'] ?? null;
        if ($named !== null) {
            $rest = ltrim($named->rest, ') ');
            $text = $before.(str_starts_with($rest, ',') ? $rest : '. '.ltrim($rest, '. '));
        }

        return $named->names ?? [];
    }

    private static function named(string $text): ?CitedNames
    {
        foreach (CitedNames::readings($text) as $named) {
            if ($named->areEditors) {
                return $named;
            }
        }

        return null;
    }
}
