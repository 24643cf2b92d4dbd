<?php

namespace Tests\Feature\FullTexts;

use App\Models\FullText;
use App\Models\Publication;
use App\Queries\FullTexts\Shelf;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Tests\Feature\Coding\AtTheDesk;
use WaryHeron\Standins\Locker\PlainPdf;

/** A review that seeks two texts; the specialist has brought one of them to another review. */
function shelved(): array
{
    $here = Sought::of(2);
    $there = AtTheDesk::elsewhere($here);
    $same = $here->publication('Bright lamps and slow naps on ward aaa')->replicate(['title_words', 'words', 'author_words'])->fill(['review_id' => $there->id, 'words' => '']);
    $same->save();
    $pdf = PlainPdf::of([[12, 'Bright lamps and slow naps on ward aaa'], [12, 'doi: 10.71000/lamps.0']]);
    Storage::put(FullText::pathOf(hash('sha256', $pdf)), $pdf);
    FullText::query()->create([
        'review_id' => $there->id,
        'publication_id' => $same->id,
        'hash' => hash('sha256', $pdf),
        'name' => 'lamps.pdf',
        'bytes' => strlen($pdf),
        'pages' => 1,
        'origin' => 'person',
        'state' => 'read',
        'matched_by' => 'doi',
        'user_id' => $here->people['specialist']->id,
    ]);

    return [$there, $here];
}

it('offers a person what they brought elsewhere, to nobody else, and keeps the file once', function () {
    [$there, $here] = shelved();
    $specialist = $here->people['specialist'];
    expect(Shelf::offers($here->review, $specialist))->toHaveCount(1)
        ->and(Shelf::offers($here->review, $here->people['anna']))->toBe([])
        ->and(Shelf::offers($there, $specialist))->toBe([]);
    $files = count(Storage::allFiles('full-texts'));
    $this->actingAs($specialist)->get("/reviews/{$here->review->id}/full-texts")->assertSee('Bring 1 from my shelf');
    $this->post("/reviews/{$here->review->id}/full-texts/shelf")->assertSessionHas('notice', '1 PDF came from your shelf.');

    $brought = FullText::query()->where('review_id', $here->review->id)->sole();
    expect($brought->only('state', 'name'))->toBe(['state' => 'read', 'name' => 'lamps.pdf'])
        ->and($brought->publication?->title)->toBe('Bright lamps and slow naps on ward aaa')
        ->and($brought->hash)->toBe(FullText::query()->where('review_id', $there->id)->value('hash'))
        ->and(Storage::allFiles('full-texts'))->toHaveCount($files)
        ->and(DB::table('retrievals')->where('review_id', $here->review->id)->value('state'))->toBe('obtained')
        ->and(Shelf::offers($here->review, $specialist))->toBe([]);
    $this->actingAs($here->people['anna'])->get("/reviews/{$here->review->id}/full-texts/files/{$brought->id}")->assertOk();
    $this->get("/reviews/{$there->id}/full-texts/files/{$brought->id}")->assertNotFound();
});

it('knows a publication without a DOI by its title and year, and passes over what was taken out', function () {
    [$there, $here] = shelved();
    $specialist = $here->people['specialist'];
    Publication::query()->where('review_id', $here->review->id)->where('title', 'like', 'Bright%')->update(['doi' => '']);
    expect(Shelf::offers($here->review, $specialist))->toHaveCount(1);
    Publication::query()->where('review_id', $here->review->id)->where('title', 'like', 'Bright%')->update(['year' => 1999]);
    expect(Shelf::offers($here->review, $specialist))->toBe([]);
    Publication::query()->where('review_id', $here->review->id)->where('title', 'like', 'Bright%')->update(['doi' => '10.71000/lamps.0']);
    FullText::query()->update(['taken_out_at' => now()]);
    expect(Shelf::offers($here->review, $specialist))->toBe([]);
});
