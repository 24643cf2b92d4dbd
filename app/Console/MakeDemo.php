<?php

declare(strict_types=1);

namespace App\Console;

use Database\Demo\DemoReview;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class MakeDemo extends Command
{
    protected $signature = 'heron:demo {--fresh : throw away what is in the database first}';

    protected $description = 'Make the demo: its people, a review half-way, and an empty one';

    public function handle(DemoReview $demo): int
    {
        if ($this->option('fresh')) {
            $this->call('migrate:fresh', ['--force' => true]);
        }
        $demo->make();
        DB::statement('ANALYZE'); // all of it is new to the planner
        $this->info('The demo is ready.');

        return self::SUCCESS;
    }
}
