<?php

namespace Tests;

use App\Access\SignIn;
use App\Database\Grants;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Foundation\Testing\WithCachedConfig;
use Illuminate\Foundation\Testing\WithCachedRoutes;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PDO;
use Tests\Feature\ReadResponse;

abstract class TestCase extends BaseTestCase
{
    use WithCachedConfig;
    use WithCachedRoutes;

    private static bool $given = false;

    /** Where the tests run in two halves, each has a database of its own. */
    public function createApplication()
    {
        $name = 'heron_test'.($_SERVER['TEST_TOKEN'] ?? '');
        $_ENV['DB_DATABASE'] = $_SERVER['DB_DATABASE'] = $name;
        putenv("DB_DATABASE={$name}");

        $app = parent::createApplication();
        // to sign in at the database takes longer than many a test
        $app['config']->set(
            'database.connections.pgsql.options',
            $app['config']['database.connections.pgsql.options'] + [PDO::ATTR_PERSISTENT => 'tests'],
        );

        return $app;
    }

    /** @return array<string, mixed> as another connection than that of the tests is made */
    public static function connectionApart(): array
    {
        $as = config('database.connections.pgsql');
        unset($as['options'][PDO::ATTR_PERSISTENT]);

        return $as;
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
        Storage::fake('local'); // the running copy's files belong to another user
        if (in_array(RefreshDatabase::class, class_uses_recursive($this), true)) {
            $this->becomeTheApplication();
        }
    }

    /**
     * The tables belong to whoever runs the tests; what is tried is what the application's own role may do with them.
     */
    private function becomeTheApplication(): void
    {
        if (! self::$given) {
            Grants::give();
            self::$given = true;
        }
        $role = (string) config('database.application_role');
        if (DB::scalar('SELECT EXISTS (SELECT FROM pg_roles WHERE rolname = ?)', [$role])) {
            DB::statement("SET LOCAL ROLE {$role}");
        }
    }

    protected function createTestResponse($response, $request)
    {
        $made = parent::createTestResponse($response, $request);

        return ReadResponse::fromBaseResponse($made->baseResponse, $request)->withExceptions($made->exceptions);
    }

    /** As somebody who has just said their password. */
    public function showingWho(): static
    {
        return $this->withSession([SignIn::SHOWN => now()->getTimestamp()]);
    }
}
