<?php

namespace Tests\Feature\Searches;

use App\Models\Scheme;
use Illuminate\Support\Facades\DB;
use Tests\Feature\Standin;
use Tests\Feature\World;

it('finds headings with their reasons, and warns of a word with two meanings', function () {
    Standin::answers();
    $world = new World();
    $this->artisan('heron:thesauri');
    $alder = Scheme::query()->where('source', 'alder')->sole();
    $find = fn (string $words) => $this->actingAs($world->people['observer'])
        ->getJson("/reviews/{$world->review->id}/thesauri/find?scheme={$alder->id}&words=".rawurlencode($words))
        ->assertOk();
    $shift = $find('phase shift')->json();
    expect($shift['caution'])
        ->not->toBe([])
        ->and(array_column($shift['caution'], 'label'))
        ->toContain('Phase shift, physics');
    $light = $find('light')->json('offers');
    expect($light[0]['label'])
        ->toBe('Light')
        ->and($light[0]['exploded'])
        ->toBe(Strategies::countAt('alder', 'alder.heading =/alder.narrower "Light"'))
        ->and(implode(' ', array_column($light, 'reason')))
        ->toContain('in the title, ');
    $heading = $this->getJson(
        "/reviews/{$world->review->id}/thesauri/heading?scheme={$alder->id}&label=Shift+work+sleep+disorder",
    )
        ->assertOk()
        ->json();
    expect($heading['paths'])
        ->toBe([
            ['Disorders', 'Sleep disorders', 'Circadian sleep disorders', 'Shift work sleep disorder'],
            ['Disorders', 'Sleep disorders', 'Shift work sleep disorder'],
        ])
        ->and($heading['qualifiers'])
        ->toContain('prevention');
    $this->getJson(
        "/reviews/{$world->review->id}/thesauri/heading?scheme={$alder->id}&label=Nothing",
    )->assertNotFound();
});

it('takes a team’s own thesaurus whole or not at all, and shows it to no other review', function () {
    $world = new World();
    $url = "/reviews/{$world->review->id}/thesauri";
    $file = fn (string $text) => \Illuminate\Http\UploadedFile::fake()->createWithContent('own.ttl', $text);
    $prefix = "@prefix skos: <http://www.w3.org/2004/02/skos/core#> .\n";
    $this->actingAs($world->people['specialist'])
        ->post($url, [
            'title' => 'Ours',
            'file' => $file(
                "{$prefix}<urn:a> a skos:Concept ; skos:prefLabel \"A\" ; skos:broader <urn:b> . <urn:b> a skos:Concept ; skos:prefLabel \"B\" ; skos:broader <urn:a> .",
            ),
        ])
        ->assertSessionHas('notice');
    expect(\App\Models\Task::query()->sole()->state->value)
        ->toBe('failed')
        ->and(Scheme::query()->count())
        ->toBe(0)
        ->and(DB::table('scheme_concepts')->count())
        ->toBe(0);
    $this->post($url, [
        'title' => 'Ours',
        'file' => $file("{$prefix}<urn:a> a skos:Concept ; skos:prefLabel \"Lamps\" ; skos:altLabel \"Lights\" ."),
    ])->assertSessionHas('notice');
    $own = Scheme::query()->sole();
    $this->getJson("{$url}/find?scheme={$own->id}&words=lights")
        ->assertJsonPath('offers.0.reason', '“lights” is one of its other names, Lights')
        ->assertJsonPath('offers.0.own', null);
    $other = app(\App\Actions\Team\CreateReview::class)->execute($world->people['specialist'], 'Another', '');
    $this->getJson("/reviews/{$other->id}/thesauri/find?scheme={$own->id}&words=lights")->assertNotFound();
    $this->actingAs($world->people['observer'])->post($url, [])->assertForbidden();
});

it(
    'suggests while a term is being typed: what it finds, headings that go on from it, and their other names',
    function () {
        Standin::answers();
        $world = new World();
        $this->artisan('heron:thesauri');
        $suggest = fn (string $words): array => $this->getJson(
            "/reviews/{$world->review->id}/thesauri/suggest?words={$words}&sources[]=alder&sources[]=none",
        )
            ->assertOk()
            ->json();
        $this->actingAs($world->people['specialist']);
        $found = $suggest('napp');
        expect(array_column($found['offers'], 'label'))
            ->toContain('Napping at work')
            ->and($found['finds'])
            ->toBe([['source' => 'Alder', 'count' => Strategies::countAt('alder', 'napp')]]);
        $offer = array_column($found['offers'], null, 'label')['Napping at work'];
        expect($offer['own'])
            ->toBe(Strategies::countAt('alder', 'alder.heading = "Napping at work"'))
            ->and($offer['names'])
            ->toContain('on-shift naps');
        expect(array_column($suggest('night wo')['offers'], 'term')[0])
            ->toBe('heading:"Night work"/narrower')
            ->and($suggest('n'))
            ->toBe(['finds' => [], 'offers' => []]);
        expect($suggest('(night')['finds'])->toBe([]);
    },
);

it('translates a heading once a person has confirmed what it is there', function () {
    Standin::answers();
    $world = new World();
    $this->artisan('heron:thesauri');
    $strategy = Strategies::in(
        $world,
        ['heading:"Shift work schedule"/narrower/less:"Extended duty hours"', 'lux', 'any(#1-#2)'],
        ['alder', 'tern', 'fen'],
    );
    $page = "/reviews/{$world->review->id}/searches/{$strategy->id}/translation";
    $this->actingAs($world->people['specialist'])
        ->get($page)
        ->assertOk()
        ->assertSee('not a heading of this thesaurus', false)
        ->assertSee('It is “Rota systems”')
        ->assertSee('<code data-copy="tern">lux</code>', false);
    $tern = Scheme::query()->where('source', 'tern')->sole();
    $rule = ['label' => 'Shift work schedule', 'scheme' => $tern->id, 'stands_for' => 'rota systems', 'confirmed' => 1];
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", [
        ...$rule,
        'stands_for' => 'No such heading',
    ])->assertStatus(422);
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", $rule)->assertSessionHas('notice');
    $html = $this->get($page)->getContent();
    expect($html)
        ->toContain('is “Rota systems” here, as confirmed')
        ->toContain('alder.heading = &quot;Shift work schedule&quot; or')
        ->not->toContain('&quot;Extended duty hours&quot; or')
        ->toContain('no headings here; searched as a phrase');
    // the branch that is left out can be mapped as well, and a ruling be taken back
    expect($html)->toContain('“Extended duty hours” here:')->toContain('value="open|Rota systems"');
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", [
        'label' => 'Shift work schedule',
        'scheme' => $tern->id,
        'ruling' => 'open|Rota systems',
    ])->assertSessionHas('notice');
    expect($this->get($page)->getContent())
        ->toContain('It is “Rota systems”')
        ->not->toContain('as confirmed');
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", [
        'label' => 'Shift work schedule',
        'scheme' => $tern->id,
        'ruling' => '0|Rota systems',
    ])->assertSessionHas('notice');
    expect($this->get($page)->getContent())
        ->toContain('not Rota systems')
        ->toContain('offer again')
        ->not->toContain('It is “Rota systems”');
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", $rule);
    // explosion that brings there what it does not here
    $this->post("/reviews/{$world->review->id}/thesauri/rulings", [
        'label' => 'Lighting design',
        'scheme' => $tern->id,
        'stands_for' => 'Workplace light',
        'confirmed' => 1,
    ]);
    $lighting = Strategies::in($world, ['heading:"Lighting design"/narrower'], ['tern']);
    $this->get("/reviews/{$world->review->id}/searches/{$lighting->id}/translation")->assertSee(
        'its narrower headings here bring Daylight at work, which it has not where it was chosen',
        false,
    );
    $this->post("/reviews/{$world->review->id}/searches/{$strategy->id}/marks", [
        'line' => 'l1',
        'database' => 'tern',
        'text' => 'lux',
        'on' => 1,
    ]);
    $this->get($page)->assertSee('Confirmed by Mirela Haas');
    $csv = $this->get("{$page}/csv")
        ->assertOk()
        ->getContent();
    expect($csv)
        ->toContain('Tern Abstracts: notes')
        ->toContain('"Mirela Haas, ')
        ->and($this->get("{$page}/txt")->getContent())
        ->toContain('S2  lux');
    expect(
        substr(
            $this->get("{$page}/docx")
                ->assertOk()
                ->getContent(),
            0,
            2,
        ),
    )->toBe('PK');
});
