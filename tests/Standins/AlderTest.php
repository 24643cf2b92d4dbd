<?php

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\Search\RandomQuery;
use Tests\Standins\PlainSearch;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Standins\Corpus\StudyWriter;
use WaryHeron\Standins\Service;
use WaryHeron\Standins\Sru\SruServer;
use WaryHeron\Standins\Store;

function alder(array $parameters): SimpleXMLElement
{
    return new SimpleXMLElement(
        (new SruServer(Store::connect(), Service::named('alder')))->answer(array_map(strval(...), $parameters)),
    );
}

function alderCount(string $cql): int
{
    return (int) alder([
        'version' => '1.2',
        'operation' => 'searchRetrieve',
        'query' => $cql,
        'maximumRecords' => 0,
    ])->numberOfRecords;
}

it('counts what a plain search through every record counts', function () {
    $plain = new PlainSearch(1500);
    $random = new RandomQuery(new Randomizer(new Mt19937(($seed = 42))), onlyText: true);
    $queries = array_map(fn () => $random->tree(3), range(1, 24));
    foreach (
        [
            '"night shift*"',
            'light NEAR/3 expos*',
            'title:(lamp* OR light)',
            'night* AND light* NOT newborn*',
            '(bright OR blue) NEAR/2 light*',
            '"bright light" NEAR/5 nurs*',
            'title,abstract:(alert* NEAR/4 night)',
            'keyword:"Night work"',
        ] as $text
    ) {
        $queries[] = Parser::parse($text)->root;
    }
    $found = 0;
    foreach ($queries as $query) {
        $cql = Printer::print($query, Dialects::cql())->text;
        $count = alderCount($cql);
        expect($count)->toBe($plain->count($query), "seed {$seed}: {$cql}");
        $found += $count > 0 ? 1 : 0;
    }
    expect($found)->toBeGreaterThan(15);
});

it('explodes headings, and tells major ones', function () {
    $own = alderCount('alder.heading = "Shift work schedule"');
    $narrower = alderCount('alder.heading =/alder.narrower "Shift work schedule"');
    expect($narrower)
        ->toBeGreaterThan($own)
        ->toBe(
            alderCount(
                implode(
                    ' or ',
                    array_map(fn (string $label): string => "alder.heading = \"{$label}\"", [
                        'Shift work schedule',
                        'Night work',
                        'Permanent night work',
                        'Night float',
                        'Rotating shifts',
                        'Forward rotation',
                        'Backward rotation',
                        'Rapid rotation',
                        'Evening shifts',
                        'Split shifts',
                        'Extended duty hours',
                        'Twelve-hour shifts',
                        'On-call duty',
                        'Offshore rosters',
                        'Self-rostering',
                    ]),
                ),
            ),
        );
    expect(alderCount('alder.heading =/alder.major "Bright light"'))
        ->toBeGreaterThan(0)
        ->toBeLessThan(alderCount('alder.heading = "Bright light"'));
    $qualified = alderCount('alder.heading =/alder.qualifier="timing" "Bright light"');
    expect($qualified)
        ->toBeGreaterThan(0)
        ->toBeLessThan(alderCount('alder.heading =/alder.narrower/alder.qualifier=timing "Light"'))
        ->and(alderCount('alder.heading =/alder.qualifier=costs "Bright light"'))
        ->toBe(0);
});

it('gives MODS in pages up to its ceiling', function () {
    $answer = alder([
        'version' => '1.2',
        'operation' => 'searchRetrieve',
        'query' => 'night*',
        'maximumRecords' => 900,
    ]);
    expect(count($answer->records->record))->toBe(min(500, (int) $answer->numberOfRecords));
    $second = alder([
        'version' => '1.2',
        'operation' => 'searchRetrieve',
        'query' => 'night*',
        'startRecord' => 2,
        'maximumRecords' => 2,
    ]);
    expect((string) $second->records->record[0]->recordPosition)
        ->toBe('2')
        ->and((int) $second->nextRecordPosition)
        ->toBe(4);
    expect(
        (string) $second->records->record[0]->recordData->children('http://www.loc.gov/mods/v3')->mods->titleInfo
            ->title,
    )->not->toBe('');
});

it('answers in the namespaces of SRU 1.2 and 2.0', function () {
    expect(alder(['version' => '1.2', 'operation' => 'explain'])->getNamespaces())->toBe([
        '' => 'http://www.loc.gov/zing/srw/',
    ]);
    expect(alder([])->getName())
        ->toBe('explainResponse')
        ->and(alder(['query' => 'night*'])->getNamespaces())
        ->toBe(['' => 'http://docs.oasis-open.org/ns/search-ws/sruResponse']);
});

it('refuses with the standard’s diagnostics', function (array $parameters, int $number) {
    $answer = alder(['version' => '1.2', 'operation' => 'searchRetrieve', ...$parameters]);
    expect((string) $answer->diagnostics->children('http://www.loc.gov/zing/srw/diagnostic/')->diagnostic->uri)->toBe(
        "info:srw/diagnostic/1/{$number}",
    );
})->with([
    [['operation' => 'sort', 'query' => 'x'], 4],
    [['query' => ''], 7],
    [['query' => 'lamp', 'startRecord' => '0'], 6],
    [['query' => 'lamp', 'maximumRecords' => '-1'], 6],
    [['query' => 'night*', 'startRecord' => '99999'], 61],
    [['query' => 'lamp', 'recordSchema' => 'marcxml'], 66],
    [['query' => 'lamp', 'recordPacking' => 'string'], 71],
    [['query' => 'lamp', 'sortKeys' => 'title'], 80],
    [['query' => '(lamp'], 13],
    [['query' => 'foo.x = lamp'], 16],
    [['query' => 'alder.heading = "Nothing"'], 48],
]);

it('invents the same records every time', function () {
    $hash = fn (): string => md5(serialize(array_map((new StudyWriter())->study(...), range(1, 50))));
    expect($hash())->toBe($hash());
});

it('lists the words of its index from one on, in order', function () {
    $answer = alder([
        'version' => '1.2',
        'operation' => 'scan',
        'scanClause' => 'cql.serverChoice = "nurs"',
        'maximumTerms' => 5,
    ]);
    $found = [];
    foreach ($answer->terms->term as $term) {
        $found[] = (string) $term->value;
    }
    $sorted = $found;
    sort($sorted, SORT_STRING);
    expect($answer->getName())
        ->toBe('scanResponse')
        ->and($found)
        ->toHaveCount(5)
        ->toBe($sorted)
        ->and($found[0])
        ->toStartWith('nurs');
    expect(
        (string) alder(['version' => '1.2', 'operation' => 'scan'])->diagnostics->children(
            'http://www.loc.gov/zing/srw/diagnostic/',
        )->diagnostic->uri,
    )
        ->toBe('info:srw/diagnostic/1/7')
        ->and(
            (string) alder([
                'version' => '1.2',
                'operation' => 'scan',
                'scanClause' => 'dc.title = x',
            ])->diagnostics->children('http://www.loc.gov/zing/srw/diagnostic/')->diagnostic->uri,
        )
        ->toBe('info:srw/diagnostic/1/16');
});
