<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Reader;

use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Traps;
use WaryHeron\Core\FullText\Reading\SectionKind;

/**
 * The one option that a title or an abstract keeps naming, where nothing speaks of the item itself: of “People”,
 * papers say “nurses”.
 */
final class NamedOption
{
    /** A title, or sentences of an abstract; what stands in one alone is said in passing. */
    private const ENOUGH = 2;

    /** Letters of an option; “low” and “high” are said of everything. */
    private const SHORTEST = 6;

    private const SCORE = 1.6;

    /** @return list<Lead> one, or none where two are named alike */
    public static function leads(AskedItem $item, Passages $paper): array
    {
        $brief = array_filter($paper->told(), self::isInBrief(...));
        $named = [];
        foreach ($item->options as $option) {
            $said = mb_strlen($option) < self::SHORTEST ? null : OptionReader::said($option);
            $isNaming = fn (Passage $one): bool => $said !== null && $one->has($said);
            $naming = array_values(array_filter($brief, $isNaming));
            $named[] = [$option, $naming, self::weight($naming)];
        }
        usort($named, fn (array $a, array $b): int => $b[2] <=> $a[2]);
        [$option, $naming, $weight] = $named[0] ?? ['', [], 0];
        $why = 'title and abstract name no other option as often';

        return $naming !== [] && $weight >= self::ENOUGH && $weight > ($named[1][2] ?? 0)
            ? [Lead::from(self::best($naming), $option, self::SCORE, $why)]
            : [];
    }

    /** @param  list<Passage>  $naming */
    private static function weight(array $naming): int
    {
        $isTitle = fn (Passage $one): bool => $one->section === SectionKind::Title;

        return count($naming) + count(array_filter($naming, $isTitle));
    }

    private static function isInBrief(Passage $passage): bool
    {
        return in_array($passage->section, [SectionKind::Title, SectionKind::Abstract], true)
            && ! Traps::isCited($passage);
    }

    /**
     * A sentence says more than a title.
     *
     * @param  non-empty-list<Passage>  $naming
     */
    private static function best(array $naming): Passage
    {
        foreach ($naming as $passage) {
            if ($passage->section !== SectionKind::Title) {
                return $passage;
            }
        }

        return $naming[0];
    }
}
