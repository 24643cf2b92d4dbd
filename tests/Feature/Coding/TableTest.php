<?php

namespace Tests\Feature\Coding;

use App\Actions\Coding\SetCodingTerms;
use App\Models\CodingLead;
use OpenSpout\Reader\Common\Creator\ReaderEntityFactory;
use Tests\Feature\World;
use WaryHeron\Core\Coding\GivenAnswer;

/** @return list<string> the studies that the table shows, in its order */
function studiesShown(World $world, string $query): array
{
    $page = test()->actingAs($world->people['observer'])->get("/reviews/{$world->review->id}/coding?{$query}")->assertOk();
    preg_match_all('/class="title-link"[^>]*>(\w+) A/', $page->getContent(), $found);

    return $found[1];
}

it('narrows by what any item says and by how far it has come', function (string $item, string $asks, array $shown) {
    $world = AtTheDesk::coded();
    expect(studiesShown($world, 'with[]='.urlencode(AtTheDesk::itemOf($world, $item).":{$asks}")))->toBe($shown);
    // as the form sends it
    $name = $asks[0] === '~' ? 'standing' : 'standing=~lead&says';
    expect(studiesShown($world, 'item='.AtTheDesk::itemOf($world, $item)."&{$name}=".urlencode($asks)))->toBe($shown);
})->with([
    'an option with the narrower ones' => ['Light', 'lamp', ['Aster', 'Birk']],
    'a narrower option' => ['Light', 'lamp › desk', ['Aster']],
    'one of several' => ['Light', 'window', ['Birk']],
    'numbers between bounds' => ['Lux', '100..2000', ['Aster']],
    'numbers from' => ['Lux', '900..', ['Aster', 'Birk']],
    'numbers up to, with a dash' => ['Lux', '–899.5', ['Cole']],
    'a number' => ['Lux', '2500', ['Birk']],
    'answered' => ['Light', '~answered', ['Aster', 'Birk', 'Cole']],
    'open' => ['Lux', '~open', ['Dorn']],
    'not reported' => ['Light', '~not-reported', ['Cole']],
    'does not apply' => ['Light', '~not-applicable', []],
    'without evidence' => ['Light', '~bare', ['Aster']],
    'without a lead' => ['Light', '~lead', []],
]);

it('orders by an item as numbers are ordered, those without an answer last', function () {
    $world = AtTheDesk::coded();
    $lux = AtTheDesk::itemOf($world, 'Lux');
    expect(studiesShown($world, "sort={$lux}"))->toBe(['Cole', 'Aster', 'Birk', 'Dorn']);
    expect(studiesShown($world, "sort={$lux}&down=1"))->toBe(['Birk', 'Aster', 'Cole', 'Dorn']);
    expect(studiesShown($world, 'sort=coded'))->toBe(['Dorn', 'Aster', 'Birk', 'Cole']);
    expect(studiesShown($world, 'sort=nonsense&with[]=x&columns[]=y&page=0'))->toBe(['Aster', 'Birk', 'Cole', 'Dorn']);
});

it('makes what is missing or in doubt stand out', function () {
    $world = AtTheDesk::coded();
    CodingLead::query()->create([
        'review_id' => $world->review->id,
        'publication_id' => $world->publication('Lamps of Dorn')->id,
        'code_id' => AtTheDesk::itemOf($world, 'Lux'),
        'value' => 40,
        'quote' => 'at 40 lux',
        'confidence' => 'check',
        'reason' => 'Two numbers stand near it.',
    ]);
    $at = "/reviews/{$world->review->id}/coding";
    $page = $this->actingAs($world->people['observer'])->get($at)->assertOk();
    $cells = fn (string $look): int => preg_match_all("/<td class=\"{$look}[ \"]/", $page->getContent());
    expect([$cells('cell-answer'), $cells('cell-lead'), $cells('cell-open')])->toBe([6, 1, 1]);
    expect(substr_count($page->getContent(), '<span class="cell-mark">no evidence</span>'))->toBe(1);
    $page->assertSee('<span class="cell-mark">check</span>', false)->assertDontSee('Read the papers');
    // the cell in full, for those of the review
    $cell = "{$at}/{$world->publication('Lamps of Dorn')->id}/".AtTheDesk::itemOf($world, 'Lux');
    $this->getJson($cell)->assertJsonPath('slots.0.lead.evidence.quote', 'at 40 lux')->assertJsonPath('slots.0.answer.id', '');
    $this->actingAs($world->people['outsider'])->getJson($cell)->assertNotFound();
    $this->actingAs($world->people['observer'])
        ->getJson(str_replace($world->review->id, AtTheDesk::elsewhere($world)->id, $cell))
        ->assertNotFound();
});

it('shows where two coders differ, and neither of their answers', function () {
    $world = AtTheDesk::coded();
    app(SetCodingTerms::class)->by($world->people['lead'], $world->review, 2);
    $world->review->refresh();
    AtTheDesk::said($world, 'Dorn', 'Lux', new GivenAnswer('3311'));
    AtTheDesk::said($world, 'Dorn', 'Lux', new GivenAnswer('3322'), 'anna');
    $page = $this->actingAs($world->people['ben'])->get("/reviews/{$world->review->id}/coding");
    $page->assertSee('1 difference to reconcile')->assertDontSee('3,311')->assertDontSee('3,322');
    expect(studiesShown($world, 'with[]='.AtTheDesk::itemOf($world, 'Lux').':~differs'))->toBe(['Dorn']);
});

it('gives the table as it is shown, with what stands beside each answer', function () {
    $world = AtTheDesk::coded();
    $lux = AtTheDesk::itemOf($world, 'Lux');
    $at = "/reviews/{$world->review->id}/exports/coding";
    $asked = "sort={$lux}&down=1&columns[]={$lux}&parts[]=quote&parts[]=place&parts[]=coder";
    $file = $this->actingAs($world->people['observer'])->get("{$at}.xlsx?{$asked}")->assertOk()->baseResponse->getFile();
    $reader = ReaderEntityFactory::createXLSXReader();
    $reader->open($file->getPathname());
    $rows = [];
    foreach ($reader->getSheetIterator() as $sheet) {
        foreach ($sheet->getRowIterator() as $row) {
            $rows[] = array_slice($row->toArray(), 6);
        }
    }
    expect($rows)->toBe([
        ['Lux', 'Lux: evidence', 'Lux: place', 'Lux: answered by'],
        [2500, '=at 2500 lux', 'abstract', 'Cleo Varga'],
        [900, '=at 900 lux', 'abstract', 'Cleo Varga'],
        [70, '=at 70 lux', 'abstract', 'Cleo Varga'],
        ['', '', '', ''],
    ]);
    $csv = file_get_contents($this->get("{$at}.csv?with[]={$lux}:900")->assertOk()->baseResponse->getFile()->getPathname());
    expect($csv)->toContain(',lamp › desk,', '900')->not->toContain('2500', 'evidence');
    $this->actingAs($world->people['outsider'])->get("{$at}.csv")->assertNotFound();
});

it('gives the table as a document, study by study, and says when it would be too much', function () {
    $world = AtTheDesk::coded();
    $at = "/reviews/{$world->review->id}/exports/coding.docx";
    $response = $this->actingAs($world->people['observer'])->get("{$at}?parts[]=quote&parts[]=place")->assertOk();
    $path = tempnam(sys_get_temp_dir(), 'docx');
    file_put_contents($path, $response->getContent());
    $zip = new \ZipArchive();
    expect($zip->open($path))->toBeTrue();
    $text = strip_tags(str_replace(['</w:p>', '</w:tc>'], ["\n", '|'], (string) $zip->getFromName('word/document.xml')));
    $zip->close();
    unlink($path);
    expect($text)->toContain('Aster', 'Evidence', 'at 2500 lux', 'abstract')->and(substr_count($text, 'Answer'))->toBe(4);
    $one = "{$at}?columns[]=".AtTheDesk::itemOf($world, 'Lux').'&with[]='.AtTheDesk::itemOf($world, 'Lux').':900';
    config(['heron.document_answers' => 1]);
    $this->get($one)->assertOk();
    $this->get($at)->assertRedirect()->assertSessionHasErrors(['document' => 'A document holds up to 1 answers. Show fewer studies or items, or take XLSX.']);
    $this->actingAs($world->people['outsider'])->get($at)->assertNotFound();
});
