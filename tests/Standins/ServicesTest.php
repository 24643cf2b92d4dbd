<?php

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\Search\RandomQuery;
use Tests\Feature\Standin;
use WaryHeron\Core\Search\Dialect\Dialects;
use WaryHeron\Core\Search\Dialect\Printer;
use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\Node\Fielded;
use WaryHeron\Core\Vocabulary\SkosReader;
use WaryHeron\Standins\Fault;
use WaryHeron\Standins\Service;
use WaryHeron\Standins\Store;
use WaryHeron\Standins\ThesaurusTurtle;

function countIn(string $service, string $type, string $query): int|string
{
    $answer = Standin::ask($service, [
        'version' => '2.0',
        'queryType' => $type,
        'query' => $query,
        'maximumRecords' => '0',
    ]);

    return preg_match('~info:srw/diagnostic/1/\d+~', $answer, $found) === 1
        ? $found[0]
        : (int) (new SimpleXMLElement($answer))->numberOfRecords;
}

it('counts the same in both languages of one database', function () {
    $random = new RandomQuery(new Randomizer(new Mt19937(7)), onlyText: true);
    $compared = $found = 0;
    for ($i = 0; $i < 150; $i++) {
        $tree = new Fielded([Field::Title, Field::Abstract], $random->tree(3));
        $ccl = Printer::print($tree, Dialects::named('ccl'));
        if ($ccl->notes === []) {
            $cql = strtr(Printer::print($tree, Dialects::cql())->text, [
                'dc.title' => 'TI',
                'dc.description' => 'AB',
                'dc.subject' => 'KW',
            ]);
            $count = countIn('tern', 'ccl', $ccl->text);
            expect($count)->toBe(countIn('tern', 'cql', $cql), "{$ccl->text} against {$cql}");
            $compared++;
            $found += $count > 0 ? 1 : 0;
        }
    }
    expect($compared)->toBeGreaterThan(60)->and($found)->toBeGreaterThan(30);
});

it('shares a part of its holdings between Alder and Tern, and describes it otherwise', function () {
    $shared = Store::connect()
        ->query(
            "SELECT a.body->>'title' AS here, t.body->>'title' AS there, a.body->'headings' = t.body->'headings' AS same, a.body->'authors' = t.body->'authors' AS names FROM alder.records_text a JOIN tern.records_text t ON a.body->>'number' = t.body->>'number'",
        )
        ->fetchAll();
    $size = Service::named('tern')->sizeBeside(1500);
    expect(count($shared) / $size)
        ->toBeGreaterThan(0.4)
        ->toBeLessThan(0.5);
    expect(count(array_filter($shared, fn (array $one): bool => $one['here'] === $one['there'])))->toBeLessThan(
        (int) (0.85 * count($shared)),
    );
    expect(array_filter($shared, fn (array $one): bool => $one['same'] && $one['names']))->toBe([]);
});

it('assigns the specific heading and not what is above it', function () {
    foreach (['alder', 'tern'] as $key) {
        $thesaurus = Service::named($key)->thesaurus();
        $rows = Store::connect()
            ->query("SELECT headings FROM {$key}.records WHERE headings <> '{}' LIMIT 400")
            ->fetchAll(PDO::FETCH_COLUMN);
        foreach ($rows as $row) {
            $headings = array_map(intval(...), explode(',', trim($row, '{}')));
            foreach ($headings as $one) {
                expect(array_intersect(array_diff($thesaurus->closure([$one]), [$one]), $headings))->toBe([]);
            }
        }
    }
});

it('publishes thesauri that our reader takes', function (string $key, int $least) {
    $service = Service::named($key);
    $scheme = SkosReader::read((string) ThesaurusTurtle::of($service));
    expect(count($scheme->concepts))->toBe(count($service->thesaurus()->labels))->toBeGreaterThan($least);
    foreach ($service->thesaurus()->labels as $number => $label) {
        expect(count($scheme->labelled($label)->broader))->toBe(count($service->thesaurus()->above[$number]));
    }
    expect(array_filter($scheme->concepts, fn ($concept): bool => $concept->qualifiers !== []) !== [])->toBe(
        $key === 'alder',
    );
})->with([['alder', 400], ['tern', 230]]);

it('refuses what each service does not know', function (
    string $service,
    string $type,
    string $query,
    string $diagnostic,
) {
    expect(countIn($service, $type, $query))->toBe("info:srw/diagnostic/1/{$diagnostic}");
})->with([
    ['fen', 'cql', 'night prox light', '37'],
    ['fen', 'cql', 'dc.creator = x', '16'],
    ['fen', 'cql', 'li*', '29'],
    ['fen', 'ccl', 'light', '6'],
    ['alder', 'ccl', 'light', '6'],
    ['tern', 'ccl', 'TI=(light', '10'],
    ['tern', 'ccl', 'SH="No heading"', '48'],
    ['tern', 'ccl', 'S1 AND light', '48'],
]);

it('answers hostile queries at once, with a result or a refusal', function (
    string $service,
    string $type,
    string $query,
) {
    $answer = Standin::ask($service, [
        'version' => '2.0',
        'queryType' => $type,
        'query' => $query,
        'maximumRecords' => '1',
    ]);
    // neither an error of the server nor a query that had to be stopped
    expect(isset((new SimpleXMLElement($answer))->numberOfRecords))
        ->toBeTrue()
        ->and($answer)
        ->not->toMatch('~diagnostic/1/[12]<~');
})->with(function () {
    $hostile = [
        'brackets' => str_repeat('(', 100_000),
        'many terms' => implode(' or ', array_map(fn (int $i): string => "word{$i}", range(1, 5000))),
        'a star' => '*',
        'stars' => '"* * *"',
        'a quote' => 'light"',
        'unicode' => "\u{202E}\u{0}ﷺ 🦩 and \u{FFFF}",
        'long word' => str_repeat('a', 90_000),
        'near and near' => implode(' prox/unit=word/distance<=20 ', array_fill(0, 40, 'night*')),
        'backslashes' => '\\\\\\',
        'a formula' => "'; DROP TABLE alder.records; --",
    ];
    foreach (['alder' => 'cql', 'tern' => 'ccl', 'fen' => 'cql'] as $service => $type) {
        foreach ($hostile as $name => $query) {
            yield "{$service}, {$name}" => [
                $service,
                $type,
                $type === 'ccl' ? strtr($query, ['prox/unit=word/distance<=20' => '%10', '*' => '?']) : $query,
            ];
        }
    }
});

it('gives records in the order asked for', function () {
    $years = function (string $query): array {
        preg_match_all(
            '~<dateIssued>(\d+)</dateIssued>~',
            Standin::ask('alder', [
                'version' => '1.2',
                'operation' => 'searchRetrieve',
                'query' => $query,
                'maximumRecords' => '40',
            ]),
            $found,
        );

        return array_map(intval(...), $found[1]);
    };
    $newest = $years('light* sortBy dc.date/sort.descending');
    $oldest = $years('light* sortBy dc.date');
    expect($newest)
        ->toHaveCount(40)
        ->and($newest)
        ->toBe(collect($newest)->sortDesc()->values()->all())
        ->and($oldest)
        ->toBe(collect($oldest)->sort()->values()->all())
        ->and($oldest[0])
        ->toBeLessThan($newest[0])
        ->and($years('light*'))
        ->toBe($newest);
    $ranked = Standin::ask('alder', [
        'query' => 'light* or lamp* or lux',
        'sortKeys' => 'relevance,,0',
        'maximumRecords' => '1',
    ]);
    expect(preg_match_all('/\b(?:light|lamp|lux)/i', $ranked))->toBeGreaterThan(
        preg_match_all(
            '/\b(?:light|lamp|lux)/i',
            Standin::ask('alder', [
                'query' => 'light* or lamp* or lux',
                'sortKeys' => 'date,,0',
                'maximumRecords' => '1',
            ]),
        ),
    );
    expect(Standin::ask('alder', ['query' => 'light* sortBy dc.creator']))->toContain('diagnostic/1/82');
});

it('has bad days when told to, and good ones again', function (string $kind, string $pattern) {
    $store = Store::connect();
    $good = Standin::ask('fen', ['query' => 'light', 'maximumRecords' => '0']);
    Fault::order($store, 'fen', $kind, 2);
    $answers = array_map(
        fn (): string => Fault::applied(
            $store,
            'fen',
            Standin::ask('fen', ['query' => 'light', 'maximumRecords' => '0']),
        ),
        range(1, 3),
    );
    expect($answers[0])
        ->toMatch($pattern)
        ->not->toBe($good)
        ->and($answers[1])
        ->toMatch($pattern)
        ->and($answers[2])
        ->toBe($good);
})->with([
    ['fail', '/Out of order/'],
    ['rubbish', '/Maintenance/'],
    ['cut', '/^<\?xml(?!.*<\/searchRetrieveResponse>)/s'],
    ['totals', '/<numberOfRecords>\d+</'],
]);

it('publishes related headings both ways, and never those above or below', function (string $key) {
    $scheme = SkosReader::read(ThesaurusTurtle::of(Service::named($key)));
    $thesaurus = Service::named($key)->thesaurus();
    $pairs = 0;
    foreach ($thesaurus->related as $number => $related) {
        foreach ($related as $other) {
            expect($thesaurus->related[$other])
                ->toContain($number)
                ->and($thesaurus->closure([$number]))
                ->not->toContain($other);
            $pairs++;
        }
        expect($scheme->labelled($thesaurus->labels[$number])->related)->toHaveCount(count($related));
    }
    expect($pairs)->toBeGreaterThan(20);
})->with(['alder', 'tern']);
