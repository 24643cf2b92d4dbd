<?php

namespace Tests\Browser;

/** The running copy that browser tests use, with a database of its own. */
final class Server
{
    private const DATABASE = 'heron_browser';

    /** What it is made from, each made once: the tables alone, and the demo. */
    private const EMPTY = 'heron_browser_empty';

    private const DEMO = 'heron_browser_demo';

    /** Where the demo is made; it has its own name as soon as it is whole. */
    private const MAKING = 'heron_browser_making';

    /** What the demo is looked at in from within, while journeys go on elsewhere. */
    public const LOOK = 'heron_browser_look';

    private const PATIENCE_SECONDS = 400;

    /** @var array<string, true> */
    private static array $kept = [];

    public static function fresh(): void
    {
        if (isset(self::$kept[self::EMPTY])) {
            self::copyDatabase(self::EMPTY, self::DATABASE);

            return;
        }
        self::asOwner(['migrate:fresh', '--force'], []);
        self::copyDatabase(self::DATABASE, self::EMPTY);
        self::$kept[self::EMPTY] = true;
    }

    public static function demo(): void
    {
        self::haveDemo();
        self::copyDatabase(self::DEMO, self::DATABASE);
    }

    /** A copy of the demo that no journey changes. */
    public static function demoApart(): void
    {
        self::haveDemo();
        self::copyDatabase(self::DEMO, self::LOOK);
    }

    /** Made once, which takes most of a minute; or waited for, where somebody else makes it meanwhile. */
    private static function haveDemo(): void
    {
        if (! isset(self::$kept[self::DEMO])) {
            getenv('HERON_DEMO_IS_BEING_MADE') === 'yes' ? self::waitForDemo() : self::makeDemo();
            self::$kept[self::DEMO] = true;
        }
    }

    private static function makeDemo(): void
    {
        $other = ['DB_DATABASE' => self::MAKING, 'APP_CONFIG_CACHE' => dirname(__DIR__, 2).'/var/test/cache/none.php'];
        self::asOwner(['migrate:fresh', '--force'], $other);
        self::console(['heron:demo'], $other);
        // what waits would be done again after each time that the demo is put back
        self::console(['queue:work', '--stop-when-empty', '--queue=default,files,sources,long'], $other);
        self::psql('heron_owner', self::MAKING, 'ANALYZE');
        self::psql(
            'heron',
            'postgres',
            'DROP DATABASE IF EXISTS '.self::DEMO.' WITH (FORCE)',
            'ALTER DATABASE '.self::MAKING.' RENAME TO '.self::DEMO,
        );
    }

    private static function waitForDemo(): void
    {
        $all = new \PDO('pgsql:host=127.0.0.1;port='.getenv('DB_PORT').';dbname=postgres', 'heron_owner');
        $until = microtime(true) + self::PATIENCE_SECONDS;
        while ($all->query("SELECT FROM pg_database WHERE datname = '".self::DEMO."'")->rowCount() === 0) {
            if (microtime(true) > $until) {
                throw new \RuntimeException('The demo that is being made beside the journeys is not there.');
            }
            usleep(500_000);
        }
    }

    /** As files, which takes a tenth of the time of writing all rows and indexes anew; whoever is connected is sent away. */
    private static function copyDatabase(string $from, string $to): void
    {
        self::psql(
            'heron',
            'postgres',
            "DROP DATABASE IF EXISTS {$to} WITH (FORCE)",
            "ALTER DATABASE {$from} ALLOW_CONNECTIONS false",
            "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '{$from}'",
            "CREATE DATABASE {$to} OWNER heron_owner TEMPLATE {$from} STRATEGY file_copy",
            "ALTER DATABASE {$from} ALLOW_CONNECTIONS true",
            "REVOKE ALL ON DATABASE {$to} FROM PUBLIC",
            "GRANT CONNECT, TEMPORARY ON DATABASE {$to} TO heron_app",
        );
    }

    private static function psql(string $role, string $database, string ...$statements): void
    {
        $bin = getenv('PG_BIN') ?: '/usr/lib/postgresql/15/bin';
        $command = [
            "{$bin}/psql", '-h', '127.0.0.1', '-p', (string) getenv('DB_PORT'), '-U', $role, '-d', $database,
            '-v', 'ON_ERROR_STOP=1', '-q',
        ];
        foreach ($statements as $statement) {
            array_push($command, '-c', $statement);
        }
        self::run(implode(' ', array_map(escapeshellarg(...), $command)));
    }

    private static function run(string $command): void
    {
        exec("{$command} 2>&1", $said, $code);
        if ($code !== 0) {
            throw new \RuntimeException("{$command} failed:\n".implode("\n", $said));
        }
    }

    public static function addPerson(string $name, string $email): void
    {
        self::artisan('heron:person', $name, $email, '--password=a long password');
    }

    public static function thesauri(): void
    {
        self::artisan('heron:thesauri');
    }

    /** @return list<array<string, mixed>> from what the stand-ins hold */
    public static function alder(string $sql): array
    {
        return (new \PDO((string) getenv('STANDINS_DSN'), 'standins'))->query($sql)->fetchAll(\PDO::FETCH_ASSOC);
    }

    /** @return list<array<string, mixed>> */
    public static function rows(string $sql): array
    {
        return self::connection()->query($sql)->fetchAll(\PDO::FETCH_ASSOC);
    }

    /** The invitation in the last letter to somebody, as the post room shows it. */
    public static function linkTo(string $email): string
    {
        $id = self::rows("SELECT id FROM letters WHERE recipient = '{$email}' ORDER BY id DESC LIMIT 1")[0]['id'];
        preg_match(
            '~/invitations/\w+~',
            (string) file_get_contents(getenv('HERON_TEST_URL')."/post-room/{$id}"),
            $link,
        );

        return $link[0];
    }

    /** One of its own, to do something at the same time as the application. */
    public static function connection(): \PDO
    {
        return new \PDO('pgsql:host=127.0.0.1;port='.getenv('DB_PORT').';dbname='.self::DATABASE, 'heron_owner');
    }

    private static function artisan(string ...$arguments): void
    {
        self::console($arguments, []);
    }

    /**
     * @param  list<string>  $arguments
     * @param  array<string, string>  $other
     */
    private static function asOwner(array $arguments, array $other): void
    {
        self::console($arguments, [
            ...$other,
            'DB_USERNAME' => 'heron_owner',
            'DB_PASSWORD' => getenv('DB_PASSWORD'),
            'APP_CONFIG_CACHE' => dirname(__DIR__, 2).'/var/test/cache/none.php',
        ]);
    }

    /**
     * As the user that the web side runs as, which owns the copy's files.
     *
     * @param  list<string>  $arguments
     * @param  array<string, string|false>  $other
     */
    private static function console(array $arguments, array $other): void
    {
        $root = dirname(__DIR__, 2);
        $command = 'ROOT="$1"; . "$ROOT/setup/users.sh"; shift; as_web "$@"';
        $environment = [
            'PATH' => getenv('PATH'),
            'HERON_INSTANCE_DIR' => "{$root}/var/test",
            'APP_CONFIG_CACHE' => "{$root}/var/test/cache/config.php",
            'HOME' => '/tmp',
        ];
        $environment = [...$environment, ...$other];
        $process = proc_open(
            [
                'bash',
                '-c',
                $command,
                'bash',
                $root,
                PHP_BINARY,
                '-d',
                'pcov.enabled=0',
                "{$root}/artisan",
                ...$arguments,
            ],
            [1 => ['pipe', 'w'], 2 => ['redirect', 1]],
            $pipes,
            $root,
            $environment,
        );
        $said = stream_get_contents($pipes[1]);
        if (proc_close($process) !== 0) {
            throw new \RuntimeException('artisan '.implode(' ', $arguments)." failed:\n{$said}");
        }
    }
}
