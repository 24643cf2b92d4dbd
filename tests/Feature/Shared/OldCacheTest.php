<?php

namespace Tests\Feature\Shared;

use App\Tasks\OldCache;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;

it('takes away what was kept for a while when its time is over, and nothing else', function () {
    $kept = Cache::store('database');
    $kept->put('a minute', 1, 60);
    $kept->put('an hour', 2, 3600);
    $kept->forever('for good', 3);
    $kept->lock('held', 60)->get();

    $this->travel(2)->minutes();
    expect(DB::table('cache')->count())->toBe(3)->and(DB::table('cache_locks')->count())->toBe(1);
    app(OldCache::class)->execute();

    expect(DB::table('cache')->count())->toBe(2)
        ->and(DB::table('cache_locks')->count())->toBe(0)
        ->and($kept->get('an hour'))->toBe(2)
        ->and($kept->get('for good'))->toBe(3);
});
