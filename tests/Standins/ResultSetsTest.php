<?php

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\Search\RandomQuery;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Node\Word;
use WaryHeron\Core\Search\Query\Operator;
use WaryHeron\Standins\Fault;
use WaryHeron\Standins\Service;
use WaryHeron\Standins\Sru\FoundSet;
use WaryHeron\Standins\Sru\ResultSets;
use WaryHeron\Standins\Sru\SruServer;
use WaryHeron\Standins\Store;

/** What Alder answers: with no records asked for it counts by sets, with one it counts in the table. */
function answered(string $cql, int $records): int
{
    $answer = (new SruServer(Store::connect(), Service::named('alder')))->answer([
        'version' => '1.2',
        'operation' => 'searchRetrieve',
        'query' => $cql,
        'maximumRecords' => (string) $records,
    ]);

    return (int) (new SimpleXMLElement($answer))->numberOfRecords;
}

function keptSets(): int
{
    return (int) Store::connect()->query('SELECT count(*) FROM alder.sets')->fetchColumn();
}

beforeEach(fn () => Store::connect()->exec('TRUNCATE alder.sets'));

it('joins sets as lists of numbers would be joined', function (int $last) {
    $random = new Randomizer(new Mt19937($last));
    $some = fn (): array => array_values(array_filter(range(0, $last), fn (): bool => $random->getInt(0, 2) === 0));
    for ($round = 0; $round < 20; $round++) {
        [$a, $b] = [$some(), $some()];
        [$one, $other] = [FoundSet::of($a, $last), FoundSet::of($b, $last)];
        expect($one->count())->toBe(count($a))
            ->and($one->or($other)->count())->toBe(count(array_unique([...$a, ...$b])))
            ->and($one->and($other)->count())->toBe(count(array_intersect($a, $b)))
            ->and($one->without($other)->count())->toBe(count(array_diff($a, $b)))
            ->and(FoundSet::kept($one->bits)->and($other)->bits)->toBe($one->and($other)->bits);
    }
})->with([1, 7, 63, 64, 65, 1000]);

it('counts by sets what the table counts', function (int $seed) {
    $random = new RandomQuery(new Randomizer(new Mt19937($seed)), onlyText: true);
    $found = 0;
    for ($i = 0; $i < 60; $i++) {
        $cql = Printer::print($random->tree(4), Dialects::cql())->text;
        $count = answered($cql, 0);
        expect($count)->toBe(answered($cql, 1), "seed {$seed}: {$cql}")
            ->and(answered($cql, 0))->toBe($count, 'what is kept counts the same');
        $found += $count > 0 ? 1 : 0;
    }
    expect($found)->toBeGreaterThan(20)->and(keptSets())->toBeGreaterThan(60);
})->with([1, 2, 3]);

it('searches a part once, wherever it stands', function () {
    answered('light and night', 0);
    expect(keptSets())->toBe(2);
    answered('light or night or light', 0);
    answered('(night not light) or light', 0);
    expect(keptSets())->toBe(2);
    answered('light or lamp*', 0);
    expect(keptSets())->toBe(3);
    answered('light and rota*', 1);
    expect(keptSets())->toBe(3, 'where records are shown the table is read');
});

it('leaves a query of too many parts to the table', function () {
    $sets = new ResultSets(Store::connect(), Service::named('alder'));
    $many = new Operation(Operator::Or, array_map(fn (int $n): Word => new Word("word{$n}"), range(1, 101)));
    expect($sets->count($many, microtime(true) + 8))->toBeNull()->and(keptSets())->toBe(0);
});

it('keeps no more than a bound, the newest', function () {
    Store::connect()->exec(
        "INSERT INTO alder.sets SELECT decode(md5(n::text), 'hex'), '', now() - interval '1 day' + n * interval '1 second' FROM generate_series(1, 1000) n",
    );
    answered('light or night', 0);
    expect(keptSets())->toBe(1000);
    $oldest = Store::connect()->query("SELECT count(*) FROM alder.sets WHERE part = decode(md5('1'), 'hex')")->fetchColumn();
    expect((int) $oldest)->toBe(0);
});

it('counts wrongly when it is told to, and keeps nothing of that', function () {
    $right = answered('light or night', 0);
    Fault::order(Store::connect(), 'alder', 'totals', 1);
    expect(answered('light or night', 0))->toBeLessThan($right)->and(answered('light or night', 0))->toBe($right);
});
