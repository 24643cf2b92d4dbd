<?php

namespace Tests\Feature\Searches;

use App\Actions\Searches\ChangeStrategy;
use Tests\Feature\Standin;
use Tests\Feature\World;

it('takes known items from a list of references and from the text of any file of them', function (string $pasted) {
    $world = new World();
    $strategy = Strategies::in($world, ['lux']);
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}/known-items";
    $this->actingAs($world->people['specialist'])
        ->post($url, ['items' => $pasted])
        ->assertSessionHas('notice', '2 known items added.');
    expect($world->review->knownItems()->orderBy('title')->get(['title', 'year', 'doi'])->toArray())->toBe([
        ['title' => 'Dim lamps in wards at night', 'year' => 2004, 'doi' => '10.9999/lamps'],
        ['title' => 'Visors for nurses of the night', 'year' => 2005, 'doi' => ''],
    ]);
    // pasted once more, in whatever form, they are known
    $this->post($url, ['items' => 'Kolbe A, Haas M. Dim lamps in wards at night. J Sleep. 2004;3:12-9.'])
        ->assertSessionHas('problem');
})->with([
    'references' => "1. Kolbe A, Haas M. Dim lamps in\nwards at night. J Sleep. 2004;3:12-9. doi:10.9999/Lamps\n2. Ito, K. (2005). Visors for nurses of the night. J Sleep, 4, 1.",
    'BibTeX' => "@article{a, title={Dim lamps in wards at night}, year=2004, doi={10.9999/lamps}}\n@article{b, title={Visors for nurses of the night}, year=2005}",
    'NBIB' => "PMID- 1\nTI  - Dim lamps in wards at night\nDP  - 2004\nLID - 10.9999/lamps [doi]\n\nPMID- 2\nTI  - Visors for nurses of the night\nDP  - 2005 Mar\n",
]);

it('says which concept loses a known item, and what would have caught it', function () {
    Standin::answers();
    $world = new World();
    $lost = new \SimpleXMLElement(
        Standin::ask('alder', [
            'version' => '1.2',
            'operation' => 'searchRetrieve',
            'query' => 'dc.title = light* and alder.heading = "Night work" not lux',
            'maximumRecords' => '1',
        ]),
    );
    $title = (string) $lost->records->record->recordData->children('http://www.loc.gov/mods/v3')->mods->titleInfo
        ->title;
    $strategy = Strategies::in($world, ['lux', 'any(#1)', 'heading:"Night work"', 'any(#3)', '#2 AND #4']);
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}/known-items";
    $this->actingAs($world->people['specialist'])
        ->post($url, ['items' => "{$title}\nhttps://doi.org/10.9999/not.anywhere\n\nx"])
        ->assertSessionHas('notice', '2 known items added.');
    $this->post($url, ['items' => $title])->assertSessionHas('problem');
    $html = html_entity_decode($this->get($url)->assertOk()->getContent());
    expect($html)->toContain('loses it')->toContain('not in it')->not->toMatch('/>\s*found\s*</');
    // what is offered for it comes by itself, and catches it
    preg_match('~data-url="([^"]+/offers/alder)"~', $html, $later);
    $part = $this->getJson($later[1])->assertOk()->json('html');
    expect($part)->toContain('and of no other concept')->toContain('it would bring');
    preg_match('/data-block="l1" data-text="([^"]+)"/', $part, $offered);
    app(ChangeStrategy::class)->execute($world->people['anna'], $strategy, 1, 'add-terms', [
        'block' => 'l1',
        'texts' => [html_entity_decode($offered[1])],
    ]);
    expect(html_entity_decode($this->get($url)->getContent()))->toMatch('/>\s*found\s*</')->not->toContain('loses it');
    $item = $world->review->knownItems()->orderBy('title')->first();
    $this->actingAs($world->people['observer'])
        ->delete("{$url}/{$item->id}")
        ->assertForbidden();
    $this->actingAs($world->people['anna'])
        ->delete("{$url}/{$item->id}")
        ->assertRedirect();
    expect($world->review->knownItems()->count())->toBe(1);
});

it('learns the title of what was given by its DOI alone, from the database that has it', function () {
    Standin::answers();
    $world = new World();
    $answer = new \SimpleXMLElement(
        Standin::ask('alder', [
            'version' => '1.2',
            'operation' => 'searchRetrieve',
            'query' => 'dc.title = light*',
            'maximumRecords' => '20',
        ]),
    );
    foreach ($answer->records->record as $record) {
        $mods = $record->recordData->children('http://www.loc.gov/mods/v3')->mods;
        $doi = (string) ($mods->xpath('*[local-name()="identifier"][@type="doi"]')[0] ?? '');
        if ($doi !== '') {
            break;
        }
    }
    $strategy = Strategies::in($world, ['light*']);
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}/known-items";
    $this->actingAs($world->people['specialist'])->post($url, ['items' => "{$doi}\n10.9999/not.anywhere"]);
    $html = html_entity_decode($this->get($url)->assertOk()->getContent());
    expect($html)
        ->toContain((string) $mods->titleInfo->title)
        ->and(substr_count($html, '10.9999/not.anywhere'))
        ->toBe(2); // in its row, and in the name of the button that takes it off
    expect($world->review->knownItems()->pluck('title')->all())->toContain((string) $mods->titleInfo->title);
});
