<?php

namespace Tests\Core\Matching;

use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Core\Matching\Blocking;
use WaryHeron\Core\Matching\Fingerprint;

/** With words and a whole length about the bounds of the keys. */
function titleAtBounds(Randomizer $random): string
{
    $words = ['aba', 'abad', 'caba', 'dabac', 'gadab', 'ok'];

    return implode(' ', array_map(fn (): string => $words[$random->getInt(0, 5)], range(1, $random->getInt(1, 9))));
}

/** Whether two are to be compared, said of the two at once rather than by keys. */
function shareSomething(Fingerprint $a, Fingerprint $b): bool
{
    $letters = fn (string $title): string => str_replace(' ', '', $title);
    $long = fn (Fingerprint $p): array => array_values(preg_grep('/^.{4,}$/', explode(' ', $p->title->text)) ?: []);
    $longest = fn (Fingerprint $p): string => array_reduce(
        explode(' ', $p->title->text),
        fn (string $best, string $word): string => strlen($best) >= strlen($word) ? $best : $word,
        '',
    );
    $isLikeStart = false;
    foreach ([$a->title->text, ...$a->otherTitles] as $one) {
        foreach ([$b->title->text, ...$b->otherTitles] as $other) {
            $isLikeStart = $isLikeStart || ($one !== '' && strncmp($letters($one), $letters($other), 24) === 0);
        }
    }
    $isSameYear = $a->year === $b->year;
    $isSamePage = $a->pages->first !== null && $a->pages->first === $b->pages->first;
    $isSameAuthor = $a->authors !== [] && $b->authors !== [] && $a->authors[0][1] === $b->authors[0][1];
    $isSameJournal = $a->journals !== [] && $b->journals !== [] && $a->journals[0][0] === $b->journals[0][0];

    return ($a->doi !== '' && $a->doi === $b->doi) ||
        $isLikeStart ||
        (min(strlen($letters($a->title->text)), strlen($letters($b->title->text))) >= 30 &&
            substr($letters($a->title->text), -22) === substr($letters($b->title->text), -22) &&
            $isSameYear) ||
        (min(count($long($a)), count($long($b))) >= 4 &&
            array_slice($long($a), 2, 4) === array_slice($long($b), 2, 4) &&
            $isSameYear) ||
        ($isSameJournal && $isSamePage && $a->volume !== '' && $a->volume === $b->volume) ||
        ($isSamePage && $isSameYear && $a->year !== null) ||
        ($isSamePage && $isSameAuthor) ||
        ($isSameAuthor && $isSameYear && $a->year !== null && strlen($longest($a)) > 4 && $longest($a) === $longest($b));
}

it('compares exactly the pairs that share something, whichever of them is empty', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $maybe = fn (array $values): mixed => $values[$random->getInt(0, count($values) - 1)];
    $of = function (?string $like) use ($random, $maybe): array {
        $other = $title = titleAtBounds($random);
        if ($like !== null && $random->getInt(0, 3) > 0) { // the other's with another start, end, or a letter more
            $title = $maybe([
                substr($like, $random->getInt(0, strlen($like) - 1)),
                "z{$like}",
                substr_replace($like, 'z', $random->getInt(0, strlen($like) - 1), 1),
                'gadab '.substr((string) strstr($like, ' '), 1),
            ]);
        }

        return [
            'title' => $maybe([$title, $title, $title, '']),
            'otherTitles' => $maybe([[], [], [$other]]),
            'authors' => $maybe([[], ['okafor'], ['haas'], ['haas', 'okafor']]),
            'year' => $maybe([null, 2016, 2016, 2017]),
            'journals' => $maybe([[], ['ward studies'], ['ward studies', 'wards'], ['wards']]),
            'volume' => $maybe(['', '4', '5']),
            'page' => $maybe(['', '', '', '17', '18']),
            'doi' => $maybe(['', '', '', '', '10.71111/a']),
        ];
    };
    $shared = 0;
    for ($pair = 0; $pair < 1500; $pair++) {
        $one = $of(null);
        $other = $of($one['title'] === '' ? null : $one['title']);
        [$a, $b] = [Prints::of($one), Prints::of($other)];
        $found = iterator_to_array(Blocking::pairs([$a, $b]), false);
        $shares = shareSomething($a, $b);
        if ($found !== ($shares ? [[0, 1]] : [])) {
            expect($found)->toBe($shares ? [[0, 1]] : [], json_encode([$one, $other], JSON_THROW_ON_ERROR));
        }
        $shared += $shares ? 1 : 0;
    }
    expect($shared)->toBeGreaterThan(150)->toBeLessThan(1200);
})->with(range(1, 4));

/**
 * What a block is parted into, by the plain way.
 *
 * @param  list<Fingerprint>  $prints
 * @param  list<int>  $block
 * @return list<string> pairs as "a b"
 */
function partedPlainly(array $prints, array $block): array
{
    $pairs = [];
    $join = function (array $members, int $apart) use (&$pairs): void {
        foreach ($members as $i => $a) {
            foreach (array_slice($members, $i + 1, $apart) as $b) {
                $pairs[] = min($a, $b).' '.max($a, $b);
            }
        }
    };
    $order = fn (int $at): array => [implode('|', [
        $prints[$at]->title->text, $prints[$at]->authors[0][1] ?? '', $prints[$at]->year, $prints[$at]->volume, $prints[$at]->pages->first,
    ]), $at];
    foreach ([
        fn (Fingerprint $p): string => substr(str_replace(' ', '', $p->title->text), 0, 60)." {$p->volume}",
        fn (Fingerprint $p): string => ($p->authors[0][1] ?? '')." {$p->year}",
    ] as $part) {
        $names = array_map(fn (int $at): string => $part($prints[$at]), $block);
        foreach (array_unique($names) as $name) {
            $members = array_map(fn (int $i): int => $block[$i], array_keys($names, $name, true));
            if (count($members) > 10) {
                usort($members, fn (int $a, int $b): int => $order($a) <=> $order($b));
            }
            $join($members, count($members) > 10 ? 12 : 10);
        }
    }
    if (count($block) <= 10) {
        $join($block, 10);
    }

    return $pairs;
}

it('parts a large block by title and volume, and by author and year', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    // alike in nothing that is a key but their DOI and the start of their titles: each has a page of its own and another
    // end, and no word has four letters
    $prints = array_map(fn (int $i): Fingerprint => Prints::of([
        'doi' => '10.71111/supplement',
        'title' => [
            'gab aba',
            "z{$i} gab",
            str_repeat('aba cab ', 9).'gad kab '.str_repeat(chr(97 + $i % 26).chr(97 + intdiv($i, 26)).' ', 11),
            str_repeat('aba cab ', 9).'gad kac '.str_repeat(chr(97 + $i % 26).chr(97 + intdiv($i, 26)).' ', 11),
            str_repeat('aba cab ', 9).'gad '.str_repeat(chr(97 + $i % 26).chr(97 + intdiv($i, 26)).' ', 11),
        ][$random->getInt(0, 4)],
        'volume' => ['', '1', '2'][$random->getInt(0, 2)],
        'authors' => [[], ['okafor'], ['haas', 'okafor']][$random->getInt(0, 2)],
        'page' => (string) (9000 - $i),
        'year' => 2000 + $random->getInt(0, 1),
    ]), range(0, 59));
    foreach ([10, 11, 13, 24, 60] as $count) {
        $some = array_slice($prints, 0, $count);
        $starts = array_map(fn (Fingerprint $p): string => substr(str_replace(' ', '', $p->title->text), 0, 24), $some);
        $expected = partedPlainly($some, array_keys($some));
        foreach (array_unique($starts) as $start) {
            array_push($expected, ...partedPlainly($some, array_keys($starts, $start, true)));
        }
        $expected = array_values(array_unique($expected));
        $found = array_map(fn (array $pair): string => implode(' ', $pair), iterator_to_array(Blocking::pairs($some), false));
        sort($expected);
        sort($found);
        expect($found)->toBe($expected);
    }
})->with(range(1, 6));
