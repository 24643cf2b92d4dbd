<?php

arch('the core knows neither framework nor application, and opens nothing itself')
    ->expect('WaryHeron\Core')
    ->not->toUse([
        'Illuminate',
        'App',
        'WaryHeron\Standins',
        'Carbon',
        'PDO',
        'fopen',
        'file_get_contents',
        'file_put_contents',
        'curl_init',
        'time',
        'microtime',
        'date',
        'random_int',
        'rand',
        'mt_rand',
        'uniqid',
        'getenv',
        'app',
        'config',
        'now',
    ])
    // the dialects it ships are files of its own
    ->ignoring('WaryHeron\Core\Search\Dialect\Dialects');

arch('the core is strict about types')->expect('WaryHeron\Core')->toUseStrictTypes();

arch('the core reads no globals')
    ->expect(
        fn () => array_values(
            array_filter(
                iterator_to_array(
                    new RegexIterator(
                        new RecursiveIteratorIterator(new RecursiveDirectoryIterator(__DIR__.'/../core')),
                        '/\.php$/',
                    ),
                ),
                fn (SplFileInfo $file): bool => preg_match(
                    '/\$_(GET|POST|SERVER|ENV|COOKIE|SESSION|REQUEST|FILES)\b|\bglobal \$|\$GLOBALS/',
                    (string) file_get_contents($file->getPathname()),
                ) === 1,
            ),
        ),
    )
    ->toBe([]);

arch('the application uses nothing of the stand-ins')->expect('App')->not->toUse('WaryHeron\Standins');

arch('the stand-ins write their answers by hand and know no framework')
    ->expect('WaryHeron\Standins')
    ->not->toUse(['Illuminate', 'App', 'WaryHeron\Core\Bibliography\Format', 'WaryHeron\Core\Search\Dialect\Printer']);

arch('controllers hold no rules and no SQL')
    ->expect('App\Http\Controllers')
    ->not->toUse([
        'WaryHeron\Core\Screening\Ballot',
        'WaryHeron\Core\Screening\StageRule',
        'WaryHeron\Core\Matching',
        'Illuminate\Database\Query\Builder',
    ])
    ->ignoring('App\Http\Controllers\Controller');

arch('controllers ask the database nothing themselves')
    ->expect('App\Http\Controllers')
    ->not->toUse('Illuminate\Support\Facades\DB');

arch('read models know no request')->expect('App\Queries')->not->toUse(['Illuminate\Http', 'App\Http']);

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

arch('read models change nothing')->expect('App\Queries')->not->toUse('App\Actions');

arch('actions never see the request')->expect('App\Actions')->not->toUse('Illuminate\Http');

arch('models hold relations and casts, not rules')
    ->expect('App\Models')
    ->not->toUse(['App\Actions', 'App\Queries', 'App\Http']);

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
