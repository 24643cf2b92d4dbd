<?php

namespace Tests\Feature\Shared;

use App\Models\FullText;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Tests\Feature\Coding\AtTheDesk;

/** @return array{int, string} how it ends, and what it says */
function examined(array $options = []): array
{
    $ends = Artisan::call('heron:doctor', ['--free' => '5000', '--backup' => (string) now()->getTimestamp(), ...$options]);

    return [$ends, Artisan::output()];
}

it('finds a copy well, and says what is ill of it', function () {
    $copy = AtTheDesk::copy(AtTheDesk::world(), 'Lamps were tried.');
    [$ends, $says] = examined();
    expect($says)->toContain('1 in the store')->toContain('Every state is what its decisions make it.')->not->toContain('look at this')
        ->and($ends)->toBe(0);

    expect(examined(['--free' => '100'])[1])->toMatch('/Disk .*100 MB left.*look at this/');
    expect(examined(['--backup' => '0'])[1])->toMatch('/Backup .*none was written.*look at this/');
    expect(examined(['--backup' => (string) now()->subDays(3)->getTimestamp()])[0])->toBe(1);

    Storage::delete(FullText::pathOf($copy->hash));
    expect(examined()[1])->toMatch('/PDFs .*1 missing.*look at this/');
    DB::table('jobs')->insert([
        'queue' => 'default',
        'payload' => '{}',
        'attempts' => 0,
        'available_at' => now()->subHour()->getTimestamp(),
        'created_at' => now()->subHour()->getTimestamp(),
    ]);
    expect(examined()[1])->toMatch('/Background work .*waits for 60 minutes.*look at this/');
});
