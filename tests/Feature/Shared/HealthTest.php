<?php

namespace Tests\Feature\Shared;

use App\Actions\Searches\BeginDueRounds;
use App\Queries\Shared\CopyHealth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

it('says whether it can work, without a session, and whether workers are there', function () {
    Cache::forget(CopyHealth::BEAT);
    $this->getJson('/ready')->assertOk()->assertExactJson(['database' => true, 'storage' => true, 'workers' => false]);
    CopyHealth::beat();
    $answer = $this->getJson('/ready')->assertJsonPath('workers', true);
    expect($answer->headers->getCookies())->toBe([])->and(DB::table('sessions')->count())->toBe(0);
    $this->travel(10)->minutes();
    $this->getJson('/ready')->assertJsonPath('workers', false);
    app(BeginDueRounds::class)->sometimes();
    $this->getJson('/ready')->assertJsonPath('workers', true);
});

it('gives its numbers to whoever has the token, and nothing of what people do', function () {
    new World();
    $this->get('/metrics')->assertNotFound();
    config(['heron.metrics_token' => 'a long secret']);
    $this->get('/metrics')->assertUnauthorized();
    $this->get('/metrics', ['Authorization' => 'Bearer wrong'])->assertUnauthorized();
    $told = $this->get('/metrics', ['Authorization' => 'Bearer a long secret'])->assertOk()->getContent();
    expect($told)->toMatch('/^heron_reviews 1$/m')->toMatch('/^# TYPE heron_jobs_waiting gauge$/m')->not->toContain('Ines')->not->toContain('Lamps');
    foreach (explode("\n", trim($told)) as $line) {
        expect($line)->toMatch('/^(?:# (?:HELP|TYPE) heron_\w+ .+|heron_\w+ [\d.]+(?:E\+?\d+)?)$/');
    }
});
