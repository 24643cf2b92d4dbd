<?php

namespace Tests\Feature\Archive;

use App\Models\BroughtArchive;
use App\Models\MadeFile;
use App\Models\Review;
use Illuminate\Http\UploadedFile;
use Tests\Feature\World;

it('gives the lead an archive and nobody else, and each the supplements that they may see', function () {
    $at = AtArchive::review();
    [$people, $url] = [$at->world->people, "/reviews/{$at->world->review->id}/report"];
    $this->actingAs($people['coder'])->post("{$url}/made", ['kind' => 'archive'])->assertForbidden();
    $this->post("{$url}/made", ['kind' => 'house'])->assertSessionHasErrors('kind');
    $this->post("{$url}/made", ['kind' => 'supplements'])->assertRedirect("{$url}#made");
    $theirs = MadeFile::query()->sole();
    $this->get("{$url}/made/{$theirs->id}")->assertOk();
    $this->actingAs($people['lead'])->get("{$url}/made/{$theirs->id}")->assertNotFound();
    $this->post("{$url}/made", ['kind' => 'archive'])->assertRedirect("{$url}#whole");
    $archive = MadeFile::query()->where('kind', 'archive')->sole();
    $this->get($url)->assertSee('Archive with full texts')->assertSee($archive->sha256)->assertDontSee($theirs->sha256);
    $file = $this->get("{$url}/made/{$archive->id}")->assertOk()->baseResponse->getFile();
    expect(hash_file('sha256', $file->getPathname()))->toBe($archive->sha256)
        ->and(array_keys(AtArchive::contents($file->getPathname())))->toContain('open/report.html', 'open/evidence.jsonld', 'README.html');
    $this->actingAs($people['coder'])->get("{$url}/made/{$archive->id}")->assertForbidden();
    $this->get($url)->assertDontSee($archive->sha256);
    $this->actingAs($people['outsider'])->get("{$url}/made/{$archive->id}")->assertNotFound();
});

it('holds in its open files what the tables hold', function () {
    $at = AtArchive::review();
    $contents = AtArchive::contents(AtArchive::write($at->world->review));
    $page = json_decode($contents['open/evidence.jsonld'], true, 32, JSON_THROW_ON_ERROR);
    $selector = $page['items'][0]['target']['selector'][0];
    expect($selector)->toBe(['type' => 'TextQuoteSelector', 'exact' => '7 of 86 „made" one'])
        ->and($page['items'][0]['body']['value'])->toContain('e1 7')
        ->and(substr_count($contents['open/references.ris'], 'TY  - '))->toBe(substr_count($contents['data/publications.jsonl'], "\n"))
        ->and($contents['open/log.csv'])->toContain('Started the review')
        ->and($contents['README.html'])->toContain('Lamps at night');
    foreach (array_filter(array_keys($contents), fn (string $name): bool => str_starts_with($name, 'data/')) as $name) {
        $schema = json_decode($contents['schemas/'.basename($name, '.jsonl').'.schema.json'], true);
        foreach (array_slice(explode("\n", trim($contents[$name])), 0, 3) as $line) {
            $row = json_decode($line, true) ?? [];
            expect($row === [] ? [] : array_diff($schema['required'], array_keys($row)))->toBe([], $name)
                ->and(array_diff(array_keys($row), array_keys($schema['properties'])))->toBe([], $name);
        }
    }
});

it('gives no archive of what nobody may see yet', function () {
    $world = World::readingInFull();
    $world->deliver([['TI' => 'Lamps']]);
    $world->decide('anna', $world->item(), 'include');
    $url = "/reviews/{$world->review->id}/report";
    $this->actingAs($world->people['lead'])->post("{$url}/made", ['kind' => 'bare-archive'])->assertSessionHasErrors('archive');
    expect(MadeFile::query()->count())->toBe(0)->and(session('errors')->first('archive'))->toContain('1 of them you may not see yet');
});

it('brings an archive in from the page, tells what is wrong with another, and lets others see neither', function () {
    [$people, $path] = AtArchive::ofGone();
    $this->actingAs($people['outsider'])->get('/archives/bring-in')->assertOk()->assertDontSee('Brought by you');
    $this->post('/archives', ['file' => UploadedFile::fake()->createWithContent('x.zip', 'no archive')])
        ->assertRedirect('/archives/bring-in');
    $this->get('/archives/bring-in')->assertSee('It is no zip file')->assertSee('Nothing was brought in');
    $this->post('/archives', ['file' => new UploadedFile($path, '../../<b>lamps.zip', 'application/zip', null, true)]);
    $review = Review::query()->sole();
    $this->get('/archives/bring-in')->assertSee('<b>lamps.zip')->assertSee("/reviews/{$review->id}/question");
    $this->get("/reviews/{$review->id}/records")->assertOk();
    expect(BroughtArchive::query()->pluck('state')->map->value->all())->toBe(['failed', 'done']);
    $this->actingAs($people['lead'])->get('/archives/bring-in')->assertDontSee('lamps.zip');
});

it('closes a review, so that it is read and nothing is changed, and opens it again', function () {
    $world = World::readingInFull();
    $world->deliver([['TI' => 'Lamps']]);
    $url = "/reviews/{$world->review->id}";
    $this->actingAs($world->people['anna'])->put("{$url}/closed", ['closed' => 1])->assertForbidden();
    $this->actingAs($world->people['lead'])->put("{$url}/closed", ['closed' => 1])->assertRedirect();
    $this->put("{$url}/question", ['title' => 'Lamps', 'question' => 'Other?'])->assertForbidden();
    $this->actingAs($world->people['anna'])->get("{$url}/records")->assertOk()->assertSee('Closed');
    $this->postJson("{$url}/report/text")->assertForbidden();
    $this->actingAs($world->people['lead'])->post("{$url}/report/made", ['kind' => 'archive'])->assertRedirect();
    $this->put("{$url}/closed", ['closed' => 0])->assertRedirect();
    $this->put("{$url}/question", ['title' => 'Lamps', 'question' => 'Other?'])->assertRedirect();
    $said = $world->review->fresh()->question;
    expect($said)->toBe('Other?');
    $this->get("{$url}/log")->assertSee('Closed the review')->assertSee('Opened the review again');
});
