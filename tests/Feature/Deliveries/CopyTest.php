<?php

namespace Tests\Feature\Deliveries;

use App\Database\Copy;
use App\Database\Plans;
use Illuminate\Support\Facades\DB;

beforeEach(fn () => DB::statement('CREATE TEMPORARY TABLE copied (n integer, word text) ON COMMIT DROP'));

it('puts rows into a table as they are made, whatever is in them', function () {
    $words = ["a\tb", "two\nlines\r\n", 'back\\slash \\N', '', 'näil', str_repeat('long ', 50_000), null];
    Copy::into(
        'copied',
        ['n', 'word'],
        (function () use ($words) {
            foreach ($words as $n => $word) {
                yield [$n, $word];
            }
        })(),
    );
    expect(DB::table('copied')->orderBy('n')->pluck('word')->all())->toBe($words);
    Copy::into('copied', ['n', 'word'], []);
    Copy::into('copied', ['n', 'word'], (fn () => (yield from []))());
    expect(DB::table('copied')->count())->toBe(count($words));
});

it('says what went wrong while rows were made, and leaves nothing of them', function () {
    $rows = function () {
        yield from array_map(fn (int $n): array => [$n, str_repeat('x', 1000)], range(1, 500));
        throw new \DomainException('The 501st cannot be read.');
    };
    expect(fn () => DB::transaction(fn () => Copy::into('copied', ['n', 'word'], $rows())))->toThrow(
        \DomainException::class,
        'The 501st cannot be read.',
    );
    expect(DB::table('copied')->count())->toBe(0);
});

it('says what the server refuses', function () {
    expect(fn () => DB::transaction(fn () => Copy::into('copied', ['n', 'word'], [['not a number', 'a']])))->toThrow(
        \PDOException::class,
        'invalid input syntax',
    );
    expect(DB::table('copied')->count())->toBe(0);
});

it('has plans made again that were made when the table was empty', function (): void {
    DB::enableQueryLog();
    Copy::into('copied', ['n', 'word'], []);
    expect(DB::getQueryLog())->toBe([]);
    Copy::into('copied', ['n', 'word'], [[1, 'a']]);
    expect(array_column(DB::getQueryLog(), 'query'))->toBe(['DISCARD PLANS']);
});

it('has tables in parts looked at that have grown, as wholes too', function (): void {
    DB::statement('RESET ROLE');
    DB::unprepared('CREATE TABLE growing (n integer) PARTITION BY HASH (n);
        CREATE TABLE growing_0 PARTITION OF growing FOR VALUES WITH (MODULUS 2, REMAINDER 0);
        CREATE TABLE growing_1 PARTITION OF growing FOR VALUES WITH (MODULUS 2, REMAINDER 1)');
    $known = fn (string $of): float => (float) DB::scalar('SELECT reltuples FROM pg_class WHERE oid = ?::regclass', [$of]);
    Plans::knowTables();
    expect($known('growing'))->toBe(-1.0);
    DB::statement('INSERT INTO growing SELECT * FROM generate_series(1, 20000)');
    expect(Plans::knowTables())->toBe(1)
        ->and($known('growing'))->toBe(20000.0)
        ->and($known('growing_0') + $known('growing_1'))->toBe(20000.0);
    DB::statement('INSERT INTO growing SELECT * FROM generate_series(1, 15000)');
    expect(Plans::knowTables())->toBe(0);
    DB::statement('INSERT INTO growing SELECT * FROM generate_series(1, 15000)');
    DB::statement('SET LOCAL ROLE heron_app'); // which may have them looked at, though they are not its own
    expect(Plans::knowTables())->toBe(1)->and($known('growing'))->toBe(50000.0);
});
