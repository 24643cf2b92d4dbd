<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Text\Words;

/**
 * Tells which publication a PDF is a copy of, by the DOI and the title that stand on its first pages.
 *
 * A DOI further on may be that of a cited work, and so may a title; so only the first page's DOIs count, and a title
 * only near its top. Where DOI and title speak for different publications, nothing is decided.
 */
final readonly class CopyMatcher
{
    /** Words from the top among which a report's own title begins; journals put their heading before it. */
    private const TOP = 150;

    /** A title of fewer words may be a heading of anything. */
    private const LEAST_WORDS = 4;

    /** The least share of a title's words at the top for which it is offered. */
    private const OFFERED_FROM = 0.7;

    private const MOST_OFFERS = 4;

    /** @param  array<string, WantedCopy>  $publications  by id */
    public function __construct(private array $publications)
    {
    }

    /** @param  string  $text  the text layer, pages parted by form feeds */
    public function match(string $text): CopyMatch
    {
        $pages = explode("\f", $text, 3);
        $dois = self::dois($pages[0]);
        $bears = fn (WantedCopy $one): bool => $one->doi !== '' && in_array($one->doi, $dois, true);
        $byDoi = array_keys(array_filter($this->publications, $bears));
        $byTitle = $this->titled($pages[0]."\n".($pages[1] ?? ''));
        $certain = $this->only(array_map(strval(...), $byDoi), $byTitle, $dois);
        if ($certain !== null) {
            return $certain;
        }
        $offers = self::uncertain($byDoi, $byTitle, $dois);
        $others = $this->alike($pages[0], array_map(strval(...), array_keys($offers)));

        return new CopyMatch(null, '', array_slice([...array_values($offers), ...$others], 0, self::MOST_OFFERS));
    }

    /**
     * The one publication that DOI and title leave, if they leave one.
     *
     * @param  list<string>  $byDoi
     * @param  list<string>  $byTitle
     * @param  list<string>  $dois
     */
    private function only(array $byDoi, array $byTitle, array $dois): ?CopyMatch
    {
        $both = array_values(array_intersect($byDoi, $byTitle));

        $isByTitle = $byDoi === [] && count($byTitle) === 1 && ! $this->bearsAnother($byTitle[0], $dois);

        return match (true) {
            count($byDoi) === 1 && ($byTitle === [] || $both !== []) => $this->certain($byDoi[0], 'doi'),
            count($byDoi) > 1 && count($both) === 1 => $this->certain($both[0], 'doi'),
            $isByTitle => $this->certain($byTitle[0], 'title'),
            default => null,
        };
    }

    /** @param  'doi'|'title'  $by */
    private function certain(string $id, string $by): CopyMatch
    {
        $because = $by === 'doi'
            ? "The DOI {$this->publications[$id]->doi} stands on the first page."
            : 'Its title stands at the top of the text.';

        return new CopyMatch($id, $by, [new CopyOffer($id, 'firm', $because)]);
    }

    /**
     * @param  list<array-key>  $byDoi
     * @param  list<array-key>  $byTitle
     * @param  list<string>  $dois
     * @return array<array-key, CopyOffer> by publication
     */
    private static function uncertain(array $byDoi, array $byTitle, array $dois): array
    {
        $offers = [];
        foreach ($byDoi as $id) {
            $other = $byTitle === [] ? 'another one that is sought.' : 'the title of another one.';
            $because = "Its DOI stands on the first page, but so does {$other}";
            $offers[$id] = new CopyOffer((string) $id, 'fair', $because);
        }
        foreach ($byTitle as $id) {
            $because = $byDoi === [] && count($byTitle) === 1
                ? "Its title stands at the top, but the DOI there is {$dois[0]}."
                : 'Its title stands at the top, and so does another one.';
            $offers[$id] ??= new CopyOffer((string) $id, 'fair', $because);
        }

        return $offers;
    }

    /** @return list<string> DOIs in a text, also those that a line's end cuts after a slash, dot or hyphen */
    public static function dois(string $text): array
    {
        $found = [];
        foreach ([$text, (string) preg_replace('~(10\.\d{4,9}\S*[/.\-])\s*\n\s*~', '$1', $text)] as $variant) {
            $found = [...$found, ...Doi::all($variant)];
        }

        return array_values(array_unique($found));
    }

    /**
     * @return list<string> publications whose whole title begins near the top; of titles within one another the longest
     */
    private function titled(string $text): array
    {
        // a hyphen at a line's end may belong to the word or only to the line
        $variants = array_map(fn (string $joined): string => ' '.implode(' ', Words::of($joined)).' ', [
            $text,
            (string) preg_replace('/-\s*\n\s*/u', '', $text),
        ]);
        $tops = array_map(
            fn (string $words): int => strlen(implode(' ', array_slice(explode(' ', $words), 0, self::TOP + 1))) + 1,
            $variants,
        );
        $found = [];
        foreach ($this->publications as $id => $one) {
            $title = Words::of($one->title);
            $wanted = ' '.implode(' ', $title).' ';
            foreach (count($title) < self::LEAST_WORDS ? [] : $variants as $i => $words) {
                $at = strpos($words, $wanted);
                if ($at !== false && $at < $tops[$i]) {
                    $found[(string) $id] = $wanted;
                }
            }
        }

        return array_map(strval(...), array_keys(self::longest($found)));
    }

    /**
     * Those that are no part of another.
     *
     * @param  array<string>  $titles
     * @return array<string>
     */
    private static function longest(array $titles): array
    {
        $isPart = fn (string $title, string $other): bool => $other !== $title && str_contains($other, $title);

        $isAlone = fn (string $one): bool => array_filter($titles, fn (string $other): bool => $isPart($one, $other)) === [];

        return array_filter($titles, $isAlone);
    }

    /** @param  list<string>  $dois */
    private function bearsAnother(string $publication, array $dois): bool
    {
        $own = $this->publications[$publication]->doi;

        return $own !== '' && $dois !== [] && ! in_array($own, $dois, true);
    }

    /**
     * @param  list<string>  $but
     * @return list<CopyOffer>
     */
    private function alike(string $page, array $but): array
    {
        $words = array_flip(array_slice(Words::of($page), 0, self::TOP));
        $shares = [];
        foreach (array_diff_key($this->publications, array_flip($but)) as $id => $one) {
            $title = array_unique(Words::of($one->title));
            $there = count(array_filter($title, fn (string $word): bool => isset($words[$word])));
            if (count($title) >= self::LEAST_WORDS && $there / count($title) >= self::OFFERED_FROM) {
                $shares[$id] = [$there / count($title), $there, count($title)];
            }
        }
        arsort($shares);

        return array_map(
            fn (string|int $id, array $share): CopyOffer => new CopyOffer(
                (string) $id,
                'check',
                "{$share[1]} of the {$share[2]} words of its title stand at the top of the text.",
            ),
            array_keys($shares),
            $shares,
        );
    }
}
