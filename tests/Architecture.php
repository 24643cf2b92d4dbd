<?php

// who may know whom: no file of a room names what begins like one of these
test('rooms know only what they may', function (string $room, array $mayNot, array $but = []) {
    $found = [];
    foreach (filesOf($room, '.php') as $path) {
        $known = Tests\NamesIn::file($path);
        $wrong = array_filter($known, fn (string $name): bool => Tests\NamesIn::isOne($name, $mayNot));
        if ($wrong !== [] && ! in_array(basename($path), $but, true)) {
            $found[] = substr($path, strlen(dirname(__DIR__)) + 1).' knows '.implode(', ', $wrong);
        }
    }
    expect($found)->toBe([]);
})->with([
    'the core neither framework nor application, and it opens nothing itself' => [
        'core',
        [
            ...['Illuminate', 'App', 'WaryHeron\Standins', 'Carbon', 'PDO'],
            ...['fopen', 'file_get_contents', 'file_put_contents', 'curl_init', 'getenv', 'app', 'config', 'now'],
            ...['time', 'microtime', 'date', 'random_int', 'rand', 'mt_rand', 'uniqid'],
        ],
        ['Dialects.php'], // the dialects that ship are files
    ],
    'the application nothing of the stand-ins' => ['app', ['WaryHeron\Standins']],
    'the stand-ins no framework, and they write their answers by hand' => [
        'standins',
        ['Illuminate', 'App', 'WaryHeron\Core\Bibliography\Format', 'WaryHeron\Core\Search\Dialect\Printer'],
    ],
    'controllers neither rules nor SQL' => [
        'app/Http/Controllers',
        [
            ...['WaryHeron\Core\Screening\Ballot', 'WaryHeron\Core\Screening\StageRule', 'WaryHeron\Core\Matching'],
            ...['Illuminate\Database\Query\Builder', 'Illuminate\Support\Facades\DB'],
        ],
    ],
    'read models no request, and nothing that changes' => [
        'app/Queries',
        ['Illuminate\Http', 'App\Http', 'App\Actions'],
    ],
    'actions no request' => ['app/Actions', ['Illuminate\Http']],
    'models no rules: relations and casts' => ['app/Models', ['App\Actions', 'App\Queries', 'App\Http']],
]);

test('names are found however a file writes them', function () {
    $code = <<<'PHP'
        <?php
        namespace App\Queries\Library;
        use App\Models\{Review, Item as Thing};
        use function WaryHeron\Core\said;
        use Illuminate\Support\Facades\DB;
        final class A extends \App\Http\Answer {
            public function b(Nested\One $one): void {
                $this->time(); self::date(); now(); \microtime(); // fopen()
                $words = 'rand()';
            }
        }
        PHP;
    expect(Tests\NamesIn::code($code))->toEqualCanonicalizing([
        'App\Models\Review', 'App\Models\Item', 'WaryHeron\Core\said', 'Illuminate\Support\Facades\DB', 'App\Http\Answer',
        'App\Queries\Library\Nested\One', 'now', 'microtime',
    ]);
    expect(Tests\NamesIn::isOne('App\Http\Answer', ['App\Http']))->toBeTrue()
        ->and(Tests\NamesIn::isOne('App\HttpClient', ['App\Http']))->toBeFalse();
});

test('the core is strict about types, and reads no globals', function () {
    foreach (filesOf('core', '.php') as $path) {
        $code = (string) file_get_contents($path);
        expect(str_contains($code, 'declare(strict_types=1);'))->toBeTrue($path);
        $globals = '/\$_(GET|POST|SERVER|ENV|COOKIE|SESSION|REQUEST|FILES)\b|\bglobal \$|\$GLOBALS/';
        expect(preg_match($globals, $code))->toBe(0, $path);
    }
});

test('locks have their names in one place', function () {
    foreach (filesOf('app', '.php') as $path) {
        if (! str_ends_with($path, 'Database/Locks.php')) {
            expect(str_contains((string) file_get_contents($path), 'pg_advisory'))->toBeFalse($path);
        }
    }
});

test('every area stands at the same place, and no folder is a heap', function () {
    $areas = ['Api', 'Archive', 'Asking', 'Coding', 'Deliveries', 'Drafting', 'FullTexts', 'Library', 'Matching', 'Question', 'Report', 'Scouting', 'Screening'];
    $areas = [...$areas, 'Searches', 'Shared', 'Synthesis', 'Team'];
    foreach (['app/Actions', 'app/Queries', 'app/Http/Controllers', 'app/Http/Requests', 'app/Jobs', 'tests/Feature'] as $room) {
        $folders = array_map(basename(...), glob(dirname(__DIR__)."/{$room}/*", GLOB_ONLYDIR) ?: []);
        expect(array_diff($folders, $areas))->toBe([], $room);
    }
    $counts = array_count_values(array_map(dirname(...), iterator_to_array(filesOf('app', '.php'), false)));
    unset($counts[dirname(__DIR__).'/app/Models']); // the list of tables
    expect(max($counts))->toBeLessThanOrEqual(20);
});

test('no text is run as code or as a command, and no object is made from one', function (string $room) {
    foreach (filesOf($room, '.php') as $path) {
        $code = (string) file_get_contents($path);
        $runs = '/(?<![\w>:$\\\\])\\\\?(?:eval|unserialize|exec|shell_exec|system|passthru|popen)\s*\(/';
        expect(preg_match($runs, $code, $found))->toBe(0, $path.' '.($found[0] ?? ''));
    }
})->with(['core', 'app']);

test('views hold no queries', function () {
    $views = new RegexIterator(
        new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__.'/../resources/views')),
        '/\.blade\.php$/',
    );
    foreach ($views as $view) {
        expect((string) file_get_contents($view->getPathname()))->not->toMatch('/DB::|::query\(|->where\(|style="/');
    }
});

test('no text of a person or a source is part of an expression of a page', function () {
    // the expressions that a strict policy allows know neither JSON nor escaped letters; attributes hold both
    foreach (filesOf('resources/views', '.blade.php') as $path) {
        expect((string) file_get_contents($path))->not->toContain('Js::from', $path);
    }
});

test('headings of tables say what they head, and what scrolls has a role', function () {
    foreach (filesOf('resources/views', '.blade.php') as $path) {
        $view = (string) file_get_contents($path);
        expect(preg_match('/<th(?![\w-])(?![^>]*\bscope=)/', $view))->toBe(0, $path);
        expect(preg_match('/<div\b(?=[^>]*tabindex="0")(?![^>]*\brole=)/', $view))->toBe(0, $path);
    }
});

test('lines can be read at once', function (string $room, string $ending, int $width, float $percent) {
    $lines = $long = 0;
    foreach (linesOf($room, $ending) as $line) {
        $lines++;
        $long += mb_strlen($line) > $width ? 1 : 0;
    }
    expect(100 * $long / $lines)->toBeLessThanOrEqual($percent);
})->with([
    // patterns, lists of words, sentences that people read and SQL remain
    'the core' => ['core', '.php', 120, 1.0],
    'the application' => ['app', '.php', 120, 1.0],
    'the stand-ins' => ['standins', '.php', 120, 2.0],
    'the tests' => ['tests', '.php', 140, 1.0],
    'the views' => ['resources/views', '.blade.php', 160, 1.0],
    'the scripts of pages' => ['resources/js', '.js', 120, 2.0],
]);

test('functions are found as a file writes them', function () {
    $code = <<<'PHP'
        <?php
        interface Told { public function only(int $one): void; }
        final class Of implements Told {
            public function only(int $one): void
            {
                $inner = function (): string { return "{$one}"; };
            }
            abstract function none();
            function last() {}
        }
        PHP;

    expect(Tests\FunctionsIn::code($code))->toBe([
        "function only(int \$one): void\n{\n\$inner = function (): string { return \"{\$one}\"; };\n}",
        'function last() {}',
    ]);
});

test('functions fit a glance', function (string $room) {
    $lengths = $tall = [];
    foreach (filesOf($room, '.php') as $path) {
        foreach (Tests\FunctionsIn::file($path) as $function) {
            $lengths[] = strlen($function) - substr_count($function, "\n");
            $tall[] = substr_count($function, "\n") >= 25;
        }
    }
    sort($lengths);
    expect(count(array_filter($tall)) / count($tall))->toBeLessThan(0.05)
        ->and($lengths[(int) (0.9 * count($lengths))])->toBeLessThan(680);
})->with(['core', 'app']);

/** @return Generator<int, string> */
function filesOf(string $room, string $ending): Generator
{
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__)."/{$room}"));
    foreach ($files as $file) {
        if (str_ends_with($file->getFilename(), $ending)) {
            yield $file->getPathname();
        }
    }
}

/** @return Generator<int, string> */
function linesOf(string $room, string $ending): Generator
{
    foreach (filesOf($room, $ending) as $path) {
        yield from explode("\n", (string) file_get_contents($path));
    }
}
