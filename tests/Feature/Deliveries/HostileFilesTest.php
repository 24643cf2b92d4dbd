<?php

namespace Tests\Feature\Deliveries;

use App\Models\FullText;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Tests\Feature\FullTexts\Sought;
use Tests\Feature\World;
use Tests\Hostile\HostileFiles;
use Tests\Hostile\HostilePdfs;

/** Bytes of all that is kept. */
function kept(): int
{
    return array_sum(array_map(Storage::size(...), Storage::allFiles()));
}

/** @return list<string> what is wrong with how it was taken */
function wrongWith(TestResponse $answer, int $keptBefore, int $bytes): array
{
    return array_values(array_filter([
        $answer->getStatusCode() >= 500 ? "answered {$answer->getStatusCode()}: {$answer->exception?->getMessage()}" : '',
        kept() - $keptBefore > 2 * $bytes + 1_000_000 ? 'kept '.number_format(kept() - $keptBefore).' bytes of '.number_format($bytes) : '',
    ]));
}

it('takes in or refuses each hostile file of references, and shows what became of it', function () {
    Storage::fake();
    $world = new World();
    $this->actingAs($world->people['specialist']);
    $deliveries = "/reviews/{$world->review->id}/deliveries";
    [$wrong, $tried] = [[], 0];
    foreach (HostileFiles::references() as $what => [$name, $bytes]) {
        $kept = kept();
        $answer = $this->post($deliveries, [
            'files' => [UploadedFile::fake()->createWithContent($name, $bytes)],
            'source_name' => 'Tern',
            'searched_on' => '2026-11-01',
        ]);
        $found = wrongWith($answer, $kept, strlen($bytes));
        $delivery = $world->review->deliveries()->reorder()->orderByDesc('id')->first();
        if ($delivery !== null) {
            in_array($delivery->state->value ?? $delivery->state, ['queued', 'reading'], true) && $found[] = 'it is read for ever';
            $status = $this->get("{$deliveries}/{$delivery->id}")->getStatusCode();
            $status === 200 || $found[] = "its page answers {$status}";
        }
        $found === [] || $wrong[$what] = $found;
        $tried++;
    }
    expect($wrong)->toBe([])
        ->and($tried)->toBeGreaterThanOrEqual(150);
    $list = $this->get($deliveries)->assertOk()->getContent();
    expect($list)->not->toContain('<script>alert(1)')->not->toContain('<img src=x');
});

it('keeps or refuses each hostile paper, and shows where it waits', function () {
    $world = Sought::of(1);
    $this->actingAs($world->people['lead']);
    $at = "/reviews/{$world->review->id}/full-texts";
    [$wrong, $tried] = [[], 0];
    foreach (HostilePdfs::all() as $what => [$name, $bytes]) {
        $kept = kept();
        $answer = $this->postJson("{$at}/files", ['file' => UploadedFile::fake()->createWithContent($name, $bytes)]);
        $found = wrongWith($answer, $kept, strlen($bytes));
        FullText::query()->where('state', 'reading')->exists() && $found[] = 'it is read for ever';
        $found === [] || $wrong[$what] = $found;
        $tried++;
    }
    expect($wrong)->toBe([])->and($tried)->toBeGreaterThanOrEqual(45);
    $this->get("{$at}/unassigned")->assertOk()->assertDontSee('<img src=x', false);
});
