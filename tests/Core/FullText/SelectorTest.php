<?php

use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\FullText\Reading\Page;
use WaryHeron\Core\FullText\Reading\Word;
use WaryHeron\Core\FullText\Selector\Finder;
use WaryHeron\Core\FullText\Selector\Letters;
use WaryHeron\Core\FullText\Selector\Selector;

/** A page of lines, each letter five points wide, lines twelve points apart. */
function setOut(string $text, int $number = 1, int $width = 400): Page
{
    $words = [];
    foreach (explode("\n", $text) as $i => $line) {
        $left = 40.0;
        foreach (explode(' ', $line) as $one) {
            $right = $left + 5 * mb_strlen($one);
            $words[] = new Word($one, $left, 50.0 + 12 * $i, $right, 60.0 + 12 * $i);
            $left = $right + 5;
        }
    }

    return new Page($number, $width, 500, $words);
}

const PARTICIPANTS = "Two hundred and forty-one nurses were ap-\nproached; 198 consented and 189 were random-\nised (95 to light, 94 to dim red light). A well-\nknown scale was used; 189 were asked.";

it('finds what was selected, as the paper has it', function (string $selected, string $quote, string $prefix, int $boxes) {
    $found = Finder::onPage(setOut(PARTICIPANTS), $selected);
    expect([$found?->quote, count($found->boxes ?? [])])->toBe([$quote, $boxes])
        ->and(str_ends_with($found->prefix ?? '', $prefix))
        ->toBeTrue();
})->with([
    'within a line' => ['198 consented', '198 consented', 'approached;', 1],
    'over a line end, mended' => ['189 were random-ised', '189 were randomised', 'consented and', 2],
    'as a browser joins lines' => ['randomised (95 to light', 'randomised (95 to light,', '189 were', 2],
    'without blanks' => ['dimredlight', 'dim red light).', '94 to', 1],
    'in other letters' => ['TWO HUNDRED', 'Two hundred', '', 1],
    'part of a word is the word' => ['onsented', 'consented', '198', 1],
]);

it('finds the one of several places that is nearest to the selection', function (float $height, int $first) {
    expect(Finder::onPage(setOut(PARTICIPANTS), '189 were', $height)?->first)->toBe($first);
})->with([[0.13, 11], [0.19, 29]]);

it('finds nothing where there is nothing', function (string $selected) {
    expect(Finder::onPage(setOut(PARTICIPANTS), $selected))->toBeNull();
})->with(['±', '', '190 were']);

it('finds every selection again in the same text and in one that is set anew', function () {
    $random = new Randomizer(new Mt19937(20261127));
    $words = explode(' ', str_replace(["-\n", "\n"], ['', ' '], PARTICIPANTS));
    for ($try = 0; $try < 200; $try++) {
        // the same words, in lines and pages of other lengths
        $length = $random->getInt(3, 9);
        $pages = [];
        $lines = array_map(fn (array $line): string => implode(' ', $line), array_chunk($words, $length));
        foreach (array_chunk($lines, $random->getInt(1, 4)) as $i => $on) {
            $pages[] = setOut(implode("\n", $on), $i + 1);
        }
        $page = $random->getInt(0, count($pages) - 1);
        $first = $random->getInt(0, count($pages[$page]->words) - 1);
        $last = $random->getInt($first, count($pages[$page]->words) - 1);
        $selected = Selector::of($pages[$page], $first, $last);
        if (Letters::fold($selected->quote) === '') {
            continue;
        }
        $again = Finder::inPaper($pages, $selected);
        expect([$again?->page, $again?->quote])->toBe([$selected->page, $selected->quote]);
        $elsewhere = Finder::inPaper([setOut(PARTICIPANTS)], $selected);
        expect(Letters::fold($elsewhere->quote ?? ''))->toBe(Letters::fold($selected->quote));
        if ($selected->prefix !== '' && $selected->suffix !== '') {
            // what stands around it tells two places with the same words apart
            expect(Letters::fold($elsewhere->prefix))->toEndWith(mb_substr(Letters::fold($selected->prefix), -6));
        }
    }
});

it('marks a line by one box, as shares of the page', function () {
    expect(Selector::of(setOut('one two'), 0, 1)->boxes)->toBe([[0.1, 0.1, 0.1875, 0.12]]);
});

it('is kept and told as a web annotation', function () {
    $evidence = new Evidence(Finder::onPage(setOut(PARTICIPANTS, 4), '198 consented'), 'copy-1');
    expect(Evidence::fromArray(json_decode(json_encode($evidence->toArray()), true)))
        ->toEqual($evidence)
        ->and($evidence->whereabouts())
        ->toBe('page 4')
        ->and($evidence->toTarget('https://heron.example/copy-1')->selector[1]['exact'])
        ->toBe('198 consented')
        ->and(Evidence::quoted('x')->whereabouts())
        ->toBe('abstract')
        ->and(Evidence::fromArray(['quote' => 7, 'boxes' => [[1, 2], 'x', [0, 0, 1, 'a']]])->selector->boxes)
        ->toBe([]);
});
