<?php

namespace Tests\Browser;

/** The running copy that browser tests use, with a database of its own; there may be two of them, each for half of the tests. */
final class Server
{
    /** What each copy is made from, once in a run: the tables alone, and the demo. */
    private const EMPTY = 'heron_browser_empty';

    private const DEMO = 'heron_browser_demo';

    private static bool $hasFiles = false;

    public static function fresh(): void
    {
        self::alone(self::emptied(...));
    }

    private static function emptied(): void
    {
        self::keep(self::EMPTY, fn () => self::asOwner('migrate:fresh', '--force'));
        self::copyDatabase(self::EMPTY, self::database());
    }

    public static function demo(): void
    {
        self::alone(function (): void {
            self::keep(self::DEMO, function (): void {
                self::emptied();
                self::artisan('heron:demo');
                self::psql('heron_owner', self::database(), 'ANALYZE');
                self::run('rm -rf '.self::at('demo').' && cp -a '.self::of('storage/app').' '.self::at('demo'));
            });
            self::copyDatabase(self::DEMO, self::database());
            self::$hasFiles || self::run('cp -a '.self::at('demo').'/. '.self::of('storage/app'));
            self::$hasFiles = true;
        });
    }

    /** Whoever walks the other half at the same time waits, since a database is copied while nobody is in it. */
    private static function alone(\Closure $do): void
    {
        $lock = fopen(self::at('kept.lock'), 'c');
        flock($lock, LOCK_EX);
        $do();
        fclose($lock);
    }

    private static function keep(string $what, \Closure $make): void
    {
        $mark = self::at("{$what}.made");
        $run = (string) getenv('HERON_TEST_RUN');
        if (is_file($mark) && file_get_contents($mark) === $run) {
            return;
        }
        $make();
        self::copyDatabase(self::database(), $what);
        file_put_contents($mark, $run);
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

    public static function database(): string
    {
        return (string) getenv('HERON_TEST_DATABASE');
    }

    /** Below what both copies share. */
    private static function at(string $path): string
    {
        return dirname(__DIR__, 2)."/var/test/{$path}";
    }

    /** Below this copy's own folder. */
    public static function of(string $path): string
    {
        return dirname(__DIR__, 2).'/var/'.getenv('HERON_TEST_COPY')."/{$path}";
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
        return new \PDO('pgsql:host=127.0.0.1;port='.getenv('DB_PORT').';dbname='.self::database(), 'heron_owner');
    }

    private static function artisan(string ...$arguments): void
    {
        self::console($arguments, []);
    }

    private static function asOwner(string ...$arguments): void
    {
        self::console($arguments, [
            'DB_USERNAME' => 'heron_owner',
            'DB_PASSWORD' => getenv('DB_PASSWORD'),
            'APP_CONFIG_CACHE' => self::of('cache/none.php'),
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
            'HERON_INSTANCE_DIR' => self::of(''),
            'APP_CONFIG_CACHE' => self::of('cache/config.php'),
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
