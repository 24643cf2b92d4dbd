<?php

use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Core\Screening\Ranking\LogisticRegression;
use WaryHeron\Core\Screening\Ranking\NothingToLearn;
use WaryHeron\Core\Screening\Ranking\RankingQuality;
use WaryHeron\Core\Screening\Ranking\ReadingOrder;
use WaryHeron\Core\Screening\Ranking\RecallEstimate;
use WaryHeron\Core\Screening\Ranking\RelevanceModel;
use WaryHeron\Core\Screening\Ranking\RoundMarks;
use WaryHeron\Core\Screening\Ranking\TextVectors;
use WaryHeron\Core\Screening\Ranking\ToRead;

it('fits where the slope of what it minimises is nought, in whatever order it goes', function (
    int $seed,
    int $n,
    float $share,
) {
    $random = new Randomizer(new Mt19937($seed));
    $draw = fn (): float => $random->getInt(0, 1_000_000) / 1_000_000;
    $vectors = $relevant = [];
    for ($i = 0; $i < $n; $i++) {
        $relevant[] = $i < 2 ? $i === 0 : $draw() < $share;
        $vectors[] = array_filter(
            array_map(
                fn (int $place): float => $draw() < 0.3 ? $draw() + ($place === 0 && end($relevant) ? 0.5 : 0) : 0.0,
                range(0, 11),
            ),
        );
    }
    $fit = LogisticRegression::fit($vectors, $relevant, new Randomizer(new Mt19937(1)));
    [$w, $c] = [$fit->weights, $fit->constant];
    $positive = count(array_filter($relevant));
    $slope = [...array_replace(array_fill(0, 12, 0.0), $w), 'c' => $c];
    foreach ($vectors as $i => $x) {
        $y = $relevant[$i] ? 1 : -1;
        $dot = $c;
        foreach ($x as $place => $value) {
            $dot += $w[$place] * $value;
        }
        $pull = (($n / (2 * ($relevant[$i] ? $positive : $n - $positive))) * $y) / (1 + exp($y * $dot));
        foreach ($x as $place => $value) {
            $slope[$place] -= $pull * $value;
        }
        $slope['c'] -= $pull;
    }
    expect(max(array_map(abs(...), $slope)))->toBeLessThan(0.01);
    $other = LogisticRegression::fit($vectors, $relevant, new Randomizer(new Mt19937(99)));
    foreach ($w as $place => $weight) {
        expect($other->weights[$place])->toEqualWithDelta($weight, 0.005);
    }
})->with([[1, 30, 0.5], [2, 200, 0.1], [3, 400, 0.02], [4, 60, 0.9]]);

it('learns from what was judged, says by which words, and the same each time', function () {
    $texts = $included = [];
    foreach (range(1, 40) as $i) {
        $included[] = $yes = $i % 4 === 0;
        $texts[] =
            ($yes ? 'bright lamps for nurses on nights' : 'hens in barns and their eggs').
            ' number '.
            ['one', 'two', 'three'][$i % 3];
    }
    $model = RelevanceModel::learn($texts, $included, 7);
    expect($model->score('Bright lamps at NIGHTS'))
        ->toBeGreaterThan(0.75)
        ->and($model->score('eggs of hens'))
        ->toBeLessThan(0.25)
        ->and($model->score('lamps and hens'))
        ->toBeGreaterThan(0.25)
        ->toBeLessThan(0.75);
    expect(array_column($model->words(8)->for, 'word'))
        ->toContain('lamps')
        ->not->toContain('hens')
        ->and(array_column($model->words(8)->against, 'word'))
        ->toContain('hens');
    expect($model->judged('lamps of an unknown kind 2024')->words)
        ->toHaveCount(1)
        ->and($model->judged('lamps')->words[0]->word)
        ->toBe('lamps');
    expect(
        RelevanceModel::fromArray(json_decode(json_encode($model->toArray()), true))->judged('lamps and eggs'),
    )->toEqual($model->judged('lamps and eggs'));
    expect(RelevanceModel::learn($texts, $included, 7)->score('lamps and eggs'))->toBe($model->score('lamps and eggs'));
    expect(RelevanceModel::tried($texts, $included, 7)?->averagePrecision())
        ->toBe(1.0)
        ->and(RelevanceModel::tried(['a b', 'c d'], [true, false], 1))
        ->toBeNull();
    expect(fn () => RelevanceModel::learn(['lamps', 'hens'], [false, false], 1))->toThrow(NothingToLearn::class);
});

it('measures how early an order brings what is relevant', function (
    string $order,
    ?int $k95,
    ?float $wss,
    ?float $recallAt2,
    ?float $precision,
) {
    $quality = RankingQuality::of(array_map(fn (string $one): bool => $one === 'x', str_split($order)));
    expect($quality->k95())->toBe($k95);
    foreach (
        [[$quality->wss95(), $wss], [$quality->recallAt(2), $recallAt2], [$quality->averagePrecision(), $precision]] as [$is, $should]
    ) {
        $should === null ? expect($is)->toBeNull() : expect($is)->toEqualWithDelta($should, 1e-12);
    }
})->with([
    'none' => ['....', null, null, null, null],
    'first' => ['x...', 1, 0.75 - 0.05, 1.0, 1.0],
    'last' => ['...x', 4, -0.05, 0.0, 0.25],
    'mixed' => ['x.x.', 3, 0.25 - 0.05, 0.5, (1 + 2 / 3) / 2],
    'nineteen of twenty are enough' => [
        str_repeat('x', 19).str_repeat('.', 20).'x',
        19,
        21 / 40 - 0.05,
        2 / 20,
        (19 + 20 / 40) / 20,
    ],
    'of twenty-one it takes twenty' => [str_repeat('x', 20).'..x', 20, 3 / 23 - 0.05, 2 / 21, (20 + 21 / 23) / 21],
]);

it('arranges all that is left, once each, with its share of random picks', function (
    ReadingOrder $order,
    int $percent,
) {
    $scores = [];
    foreach (range(1, 200) as $i) {
        $scores["i{$i}"] = (($i * 37) % 200) / 200;
    }
    $arranged = $order->arrange($scores, $percent, 5);
    $ids = array_column($arranged, 'id');
    expect(count(array_unique($ids)))->toBe(200)->and($arranged)->toEqual($order->arrange($scores, $percent, 5));
    $picked = array_filter($arranged, fn (ToRead $one): bool => $one->isDrawn);
    expect(count($picked))->toBe(
        $order === ReadingOrder::Random ? 200 : ($order === ReadingOrder::Delivery ? 0 : intdiv(200 * $percent, 100)),
    );
    if ($order->learns()) {
        $keys = array_map(
            fn (ToRead $one): float => $order === ReadingOrder::Likely ? -$scores[$one->id] : abs($scores[$one->id] - 0.5),
            array_values(array_filter($arranged, fn (ToRead $one): bool => ! $one->isDrawn)),
        );
        $sorted = $keys;
        sort($sorted);
        expect($keys)->toBe($sorted);
    }
})->with(ReadingOrder::cases(), [0, 10, 33]);

it('bounds what is left as trying every number would', function (int $all, int $drawn, int $hits) {
    $choose = function (int $n, int $k): float {
        $c = 1.0;
        for ($i = 1; $i <= $k; $i++) {
            $c = ($c * ($n - $k + $i)) / $i;
        }

        return $k < 0 || $k > $n ? 0.0 : $c;
    };
    $most = $hits;
    for ($relevant = $hits; $relevant <= $all - ($drawn - $hits); $relevant++) {
        $p = 0.0;
        for ($x = 0; $x <= $hits; $x++) {
            $p += ($choose($relevant, $x) * $choose($all - $relevant, $drawn - $x)) / $choose($all, $drawn);
        }
        expect(RecallEstimate::atMost($hits, $all, $relevant, $drawn))->toEqualWithDelta($p, 1e-9);
        if ($p > 0.05) {
            $most = $relevant;
        }
    }
    expect(RecallEstimate::bound($all, $drawn, $hits, 0.05))->toBe($most);
})->with([[20, 5, 0], [20, 5, 2], [20, 20, 3], [100, 30, 0], [100, 30, 1], [100, 60, 12], [300, 80, 0], [50, 1, 1]]);

it('says how much has been found, and at least how much', function () {
    // nothing in 59 of very many: at most 5% of them, the rule of three
    expect(RecallEstimate::bound(100000, 59, 0, 0.05) / 100000)->toEqualWithDelta(0.0495, 0.0005);
    $estimate = RecallEstimate::of(unread: 1000, drawn: 100, hits: 2, before: 180, since: 2);
    expect($estimate->expected)
        ->toBe(20.0)
        ->and($estimate->recall)
        ->toEqualWithDelta(182 / 200, 1e-12)
        ->and($estimate->atLeast)
        ->toEqualWithDelta(182 / (180 + $estimate->most), 1e-12)
        ->and($estimate->atLeast)
        ->toBeLessThan($estimate->recall);
    // all of them read: nothing is left to be unsure of
    $all = RecallEstimate::of(50, 50, 4, 10, 4);
    expect([$all->most, $all->recall, $all->atLeast])->toBe([4, 1.0, 1.0]);
    // going on reading lifts it
    expect(RecallEstimate::of(1000, 100, 2, 180, 15)->atLeast)->toBeGreaterThan($estimate->atLeast);
    expect(fn () => RecallEstimate::of(10, 11, 0, 0, 0))->toThrow(DomainException::class);
});

it('covers the truth as often as it says', function () {
    $random = new Randomizer(new Mt19937(3));
    $covered = 0;
    for ($i = 0; $i < 2000; $i++) {
        $unread = array_merge(array_fill(0, 12, 1), array_fill(0, 388, 0));
        $hits = array_sum(array_slice($random->shuffleArray($unread), 0, 80));
        $covered += RecallEstimate::bound(400, 80, $hits, 0.05) >= 12 ? 1 : 0;
    }
    expect($covered / 2000)->toBeGreaterThanOrEqual(0.94);
});

it('marks an axis with round numbers', function (int $most, array $marks) {
    expect(RoundMarks::upTo($most))->toBe($marks);
})->with([
    [0, []],
    [1, [1]],
    [4, [1, 2, 3, 4]],
    [7, [2, 4, 6]],
    [46, [10, 20, 30, 40]],
    [304, [100, 200, 300]],
    [1693, [500, 1000, 1500]],
    [100_286, [50_000, 100_000]],
]);

/** @return array{list<string>, list<bool>} texts of two kinds, so many of each */
function lampsAndHens(int $lamps, int $hens): array
{
    $texts = $included = [];
    foreach ([[$lamps, 'bright lamps for nurses on nights', true], [$hens, 'hens in barns and their eggs', false]] as [$n, $text, $kind]) {
        for ($i = 0; $i < $n; $i++) {
            $texts[] = "{$text} ".['one', 'two', 'three'][$i % 3];
            $included[] = $kind;
        }
    }

    return [$texts, $included];
}

it('tells a score by its parts: what each word weighs, most first, and a constant', function () {
    [$texts, $included] = lampsAndHens(12, 20);
    $model = RelevanceModel::learn($texts, $included, 7);
    $kept = $model->toArray();
    expect(array_keys($kept))->toBe(['words', 'rarity', 'weights', 'constant'])
        ->and($kept['weights'])->toHaveCount(count($kept['words']))
        ->and($kept['rarity'])->toHaveCount(count($kept['words']));
    $text = 'bright lamps for hens in barns';
    $judged = $model->judged($text, 100);
    $weighed = array_column($judged->words, 'weight', 'word');
    $sizes = array_map(abs(...), array_values($weighed));
    $falling = $sizes;
    rsort($falling);
    expect($judged->score)->toBe($model->score($text))
        ->and(log($judged->score / (1 - $judged->score)))->toEqualWithDelta($kept['constant'] + array_sum($weighed), 0.006)
        ->and($sizes)->toBe($falling)
        ->and($weighed['lamps'])->toBeGreaterThan(0.0)
        ->and($weighed['hens'])->toBeLessThan(0.0)
        ->and($model->judged($text, 2)->words)->toEqual(array_slice($judged->words, 0, 2))
        ->and($model->judged($text)->words)->toHaveCount(6);
});

it('names the words that speak most for and against, no more than asked, each on its side only', function () {
    [$texts, $included] = lampsAndHens(12, 20);
    $model = RelevanceModel::learn($texts, $included, 7);
    ['for' => $for, 'against' => $against] = (array) $model->words(3);
    expect($for)->toHaveCount(3)->and($against)->toHaveCount(3);
    $all = $model->words(1000);
    $ups = array_column($all->for, 'weight');
    $downs = array_column($all->against, 'weight');
    $sorted = $ups;
    rsort($sorted);
    expect($ups)->toBe($sorted)->and(min($ups))->toBeGreaterThanOrEqual(0.0)->and($for)->toEqual(array_slice($all->for, 0, 3));
    $sorted = $downs;
    sort($sorted);
    expect($downs)->toBe($sorted)->and(max($downs))->toBeLessThanOrEqual(0.0)->and($against)->toEqual(array_slice($all->against, 0, 3));
    expect(array_intersect(array_column($all->for, 'word'), array_column($all->against, 'word')))->toBe([]);
});

it('is tried where each fifth leaves something to learn from, and not before', function () {
    expect(RelevanceModel::tried(...lampsAndHens(5, 5), seed: 3)?->averagePrecision())->toBe(1.0)
        ->and(RelevanceModel::tried(...lampsAndHens(4, 30), seed: 3))->toBeNull()
        ->and(RelevanceModel::tried(...lampsAndHens(30, 4), seed: 3))->toBeNull();
    // where nothing tells them apart, no order is better than another
    $included = array_map(fn (int $i): bool => $i % 3 === 0, range(0, 59));
    $quality = RelevanceModel::tried(array_fill(0, 60, 'the same words'), $included, 3);
    expect($quality?->averagePrecision())->toBeLessThan(0.75);
});

it('counts a title twice', function () {
    expect(RelevanceModel::text('Lamps', 'Of light.'))->toBe('Lamps Lamps Of light.');
});

it('refuses a sample that cannot be', function (int $unread, int $drawn, int $hits, int $since) {
    expect(fn () => RecallEstimate::of($unread, $drawn, $hits, 0, $since))->toThrow(
        DomainException::class,
        'A sample holds between one and all of the unread items, and no more relevant ones than were found.',
    );
})->with([
    'nothing drawn' => [10, 0, 0, 0],
    'more than there is' => [10, 11, 0, 0],
    'more hits than drawn' => [10, 5, 6, 6],
    'fewer than none' => [10, 5, -1, 5],
    'fewer found than the sample holds' => [10, 5, 3, 2],
]);

it('takes the smallest and the largest sample', function () {
    $one = RecallEstimate::of(unread: 10, drawn: 1, hits: 0, before: 0, since: 0);
    expect($one->expected)->toBe(0.0)
        ->and($one->recall)->toBe(1.0) // nothing found and nothing expected
        ->and($one->atLeast)->toBe(0.0)
        ->and($one->confidence)->toBe(0.95)
        ->and($one->isCount)->toBeFalse();
    $hit = RecallEstimate::of(unread: 1, drawn: 1, hits: 1, before: 0, since: 1);
    expect([$hit->expected, $hit->most, $hit->recall, $hit->atLeast])->toBe([1.0, 1, 1.0, 1.0]);
});

it('never tells fewer than were found, nor less than all of them', function () {
    // five found since by reading on, where the sample alone lets expect two
    $more = RecallEstimate::of(unread: 20, drawn: 20, hits: 2, before: 3, since: 5);
    expect($more->expected)->toBe(2.0)
        ->and($more->most)->toBe(5)
        ->and($more->recall)->toBe(1.0)
        ->and($more->atLeast)->toBe(1.0);
    $half = RecallEstimate::of(unread: 100, drawn: 50, hits: 5, before: 10, since: 5, confidence: 0.5);
    expect($half->recall)->toEqualWithDelta(15 / 20, 1e-12)
        ->and($half->most)->toBe(RecallEstimate::bound(100, 50, 5, 0.5))
        ->and($half->atLeast)->toEqualWithDelta(15 / (15 + $half->most - 5), 1e-12);
});

it('counts where everything was read', function () {
    $counted = RecallEstimate::counted(12);
    expect([$counted->confidence, $counted->expected, $counted->most, $counted->recall, $counted->atLeast, $counted->isCount])
        ->toBe([1.0, 12.0, 12, 1.0, 1.0, true]);
});

it('learns words that two texts hold, in order, the rarer the heavier', function () {
    $vectors = TextVectors::learn(['Lamps and lamps at night', 'Lamps, night; beds', 'lamps and 24 x 2024', 'Hens']);
    // of four texts three hold lamps, two and, two night; beds, hens and x stand in one each, numbers count for nothing
    ['words' => $words, 'rarity' => $rarity] = $vectors->toArray();
    expect($words)->toBe(['and', 'lamps', 'night'])->and($vectors->words())->toBe($words);
    foreach ([log(5 / 3) + 1, log(5 / 4) + 1, log(5 / 3) + 1] as $place => $expected) {
        expect($rarity[$place])->toEqualWithDelta($expected, 1e-12);
    }
    expect(TextVectors::fromArray($vectors->toArray()))->toEqual($vectors)
        ->and(TextVectors::learn([])->toArray())->toBe(['words' => [], 'rarity' => []]);
});

it('makes of a text a vector of length one, in which what comes often counts by its logarithm', function () {
    $vectors = TextVectors::fromArray(['words' => ['and', 'lamps'], 'rarity' => [1.0, 2.0]]);
    $vector = $vectors->of('lamps lamps LAMPS and hens');
    $lamps = (1 + log(3)) * 2.0;
    $length = sqrt($lamps ** 2 + 1);
    expect(array_keys($vector))->toBe([1, 0])
        ->and($vector[1])->toEqualWithDelta($lamps / $length, 1e-12)
        ->and($vector[0])->toEqualWithDelta(1 / $length, 1e-12)
        ->and($vectors->of('lamps'))->toBe([1 => 1.0])
        ->and($vectors->of('hens'))->toBe([])
        ->and($vectors->of(''))->toBe([]);
});

it('leaves out single letters, numbers and what is longer than any word', function (string $word, bool $isKept) {
    expect(TextVectors::learn([$word, $word])->words())->toBe($isKept ? [$word] : []);
})->with([
    ['a', false],
    ['ab', true],
    ['7', false],
    ['24', false],
    ['2024', false],
    ['d3', true],
    ['3d', true],
    [str_repeat('a', 40), true],
    [str_repeat('a', 41), false],
]);
