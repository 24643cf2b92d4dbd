<?php

namespace Tests\Feature\Library;

use App\Actions\Library\ExportByRecipe;
use App\Actions\Screening\PostToTalk;
use App\Actions\Shared\Refused;
use App\Files\In\ReferenceFile;
use App\Queries\Matching\MatchInput;
use App\Queries\Shared\Tallies;
use Illuminate\Support\Facades\Http;
use Tests\Feature\Standin;
use Tests\Feature\World;

it('narrows down by query and filters, and says what each takes away', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamp one'], ['TI' => 'Lamp two', 'AB' => ''], ['TI' => 'Nap', 'AB' => 'Sleep at work']]);
    $world->decide('anna', $world->item(0), 'include');
    $world->decide('ben', $world->item(0), 'include');
    $page = fn (string $filters) => $this->actingAs($world->people['observer'])
        ->get("/reviews/{$world->review->id}/records?{$filters}")
        ->assertOk();
    $page('q=lamp*')->assertSeeText('Lamp one')->assertSeeText('Lamp two')->assertDontSeeText('Nap');
    $page('q=lamp*&no_abstract=1')->assertSeeText('Lamp two')->assertDontSeeText('Lamp one');
    $page('state=included')->assertSeeText('Lamp one')->assertDontSeeText('Lamp two');
    $page('state=waiting')->assertDontSeeText('Lamp one')->assertSeeText('Lamp two');
    $page('q=lamp+AND')->assertSee('Column 9');
    $page('q=heading%3ANaps')->assertSee('no headings here');
    $page('state[]=x&sort[]=y&at=nonsense&reason=%27%3B--')->assertSee('Lamp one');
    $page('q=nothing')->assertSee('Nothing is left');
});

it('pages forwards and back through every publication once, in any order', function (string $sort) {
    $world = new World();
    $world->deliver(
        array_map(
            fn (int $i): array => [
                'TI' => 'Study '.$i % 7,
                'AU' => 'A'.$i % 5 .', X',
                'PY' => (string) (1990 + ($i % 11)),
                'DO' => "10.71111/{$i}",
            ],
            range(1, 130),
        ),
    );
    $this->actingAs($world->people['observer']);
    $seen = [];
    $url = "/reviews/{$world->review->id}/records?{$sort}";
    $pages = [];
    while ($url !== null) {
        $html = $this->get($url)->assertOk()->getContent();
        preg_match_all('~class="title-link" href="[^"]+/publications/(\w+)"~', $html, $found);
        $pages[] = $found[1];
        array_push($seen, ...$found[1]);
        $url = preg_match('~href="([^"]+)" rel="next"~', $html, $next) === 1 ? html_entity_decode($next[1]) : null;
    }
    expect(count($seen))->toBe(130)->and(count(array_unique($seen)))->toBe(130);
    preg_match('~href="([^"]+)" rel="prev"~', $html, $previous);
    preg_match_all(
        '~class="title-link" href="[^"]+/publications/(\w+)"~',
        $this->get(html_entity_decode($previous[1]))->getContent(),
        $back,
    );
    expect($back[1])->toBe($pages[1]);
})->with(['', 'desc=1', 'sort=title', 'sort=year&desc=1', 'sort=author', 'sort=records']);

it('teaches where it is empty', function () {
    $world = new World();
    $this->actingAs($world->people['lead']);
    foreach (
        [
            'question' => 'No criteria yet',
            'searches' => 'No searches yet',
            'deliveries' => 'Nothing has been delivered yet',
            'records' => 'No publications yet',
            'screening' => 'Nothing to screen yet',
            'screening/desk' => 'Nothing is left',
            'screening/disagreements' => 'No disagreement is open',
            'screening/agreement' => 'Nothing to compare yet',
            'coding' => 'Nothing is included yet',
            'codebook' => 'The codebook is empty',
            'report' => 'records delivered',
        ] as $path => $words
    ) {
        $this->get("/reviews/{$world->review->id}/{$path}")
            ->assertOk()
            ->assertSee($words);
    }
});

it('says what each mark in its list stands for', function () {
    $world = (new World())->withWards(3);
    foreach (['include', 'exclude'] as $i => $verdict) {
        $world->decide('anna', $world->item($i), $verdict);
        $world->decide('ben', $world->item($i), $verdict);
    }
    $world->decide('anna', $world->item(2), 'include');
    $page = (string) $this->actingAs($world->people['lead'])->get("/reviews/{$world->review->id}/records")->getContent();
    preg_match_all('~<td class="whitespace-nowrap">.*?(<circle[^>]+>)~s', $page, $inList);
    preg_match('~mark-legend.*?</p>~s', $page, $legend);
    expect(array_unique($inList[1]))->toHaveCount(3);
    foreach (array_unique($inList[1]) as $mark) {
        expect($legend[0])->toContain($mark);
    }
});

it('finds publications for Ctrl-K', function () {
    $world = new World();
    $world->deliver([['TI' => 'Lamps for nurses', 'AU' => 'Okafor, I']]);
    $find = fn (string $text) => $this->actingAs($world->people['anna'])
        ->getJson("/reviews/{$world->review->id}/find?q=".urlencode($text))
        ->assertOk()
        ->json('found.*.title');
    expect($find('okaf'))
        ->toBe(['Lamps for nurses'])
        ->and($find('lamps nu'))
        ->toBe(['Lamps for nurses'])
        ->and($find("x' | !"))
        ->toBe([])
        ->and($find("'; --"))
        ->toBe([]);
});

it('narrows down by what occurs, and says what each filter takes away', function () {
    $world = new World();
    $world->deliver([
        ['TI' => 'Lamps', 'LA' => 'English'],
        ['TI' => 'Naps', 'PY' => '2012', 'LA' => 'German'],
        ['TI' => 'Report', 'TY' => '', 'PY' => '2015'],
    ]);
    $world->deliver([['TI' => 'From elsewhere', 'PY' => '2021']], 'Elsewhere');
    $see = fn (string $query) => $this->actingAs($world->people['anna'])->get(
        "/reviews/{$world->review->id}/records?{$query}",
    );
    $see('from=2013&to=2020')
        ->assertSee('of 2013 to 2020')
        ->assertSee('Lamps')
        ->assertSee('Report')
        ->assertDontSee('>Naps<', false);
    $see('language=German')->assertSee('in German')->assertSee('Naps')->assertDontSee('title-link">Lamps', false);
    $see('source=Elsewhere')->assertSee('from Elsewhere')->assertSee('From elsewhere')->assertDontSee('>Lamps<', false);
    $this->post("/reviews/{$world->review->id}/records/tags?language=German", [
        'label' => 'ask Ben',
        'on' => '1',
        'all' => '1',
    ])->assertSessionHas('notice', '1 publication has been tagged.');
    $see('tag=ask+Ben&columns[]=tags')
        ->assertSee('tagged “ask Ben”')
        ->assertSee('Naps')
        ->assertDontSee('>Lamps<', false);
    $see('')->assertSee('>Tags<', false);
    $this->actingAs($world->people['observer'])
        ->post("/reviews/{$world->review->id}/records/tags", ['label' => 'x', 'on' => '1'])
        ->assertForbidden();
});

it('takes out what is shown, in every format, the best of all records', function (string $format) {
    $world = new World();
    $world->deliver([
        ['TI' => 'LAMPS', 'AB' => '', 'DO' => '10.71111/l'],
        ['TI' => 'Lamps', 'AB' => 'Long and luminous.', 'DO' => '10.71111/l', 'AU' => 'Kolbe, Anna'],
        ['TI' => '=Naps', 'PY' => '2012'],
    ]);
    $answer = $this->actingAs($world->people['observer'])
        ->get("/reviews/{$world->review->id}/records/export/{$format}?from=2020")
        ->assertOk();
    $path = (string) tempnam(sys_get_temp_dir(), 'heron');
    file_put_contents($path, file_get_contents($answer->baseResponse->getFile()->getPathname()));
    expect(ReferenceFile::formatOf($path))->toBe($format);
    $read = iterator_to_array((new ReferenceFile($path, $format))->records(), false);
    unlink($path);
    expect($read)
        ->toHaveCount(1)
        ->and($read[0]->title)
        ->toBe('Lamps')
        ->and($read[0]->abstract)
        ->toBe('Long and luminous.')
        ->and($read[0]->authors[0]->given)
        ->toBe('Anna')
        ->and($read[0]->id)
        ->toBe($world->publication('Lamps')->id);
})->with(['ris', 'nbib', 'bibtex', 'csl-json', 'mods', 'csv', 'xlsx']);

it('makes a reference list in a citation style', function () {
    $world = new World();
    $world->deliver([['TI' => 'Lamps at night', 'AU' => 'Kolbe, Anna', 'EP' => '9']]);
    $list = $this->actingAs($world->people['anna'])
        ->get("/reviews/{$world->review->id}/records/export/references?style=apa&as=plain")
        ->assertOk()
        ->getContent();
    expect($list)->toContain('Kolbe, A.')->toContain('(2020)')->toContain('Lamps at night');
    $this->get(
        "/reviews/{$world->review->id}/records/export/references?style=../../etc/passwd&as=plain",
    )->assertSessionHasErrors('style');
});

it('sends by a recipe only what changed since it was last used', function () {
    $world = new World();
    $world->deliver([['TI' => 'Lamps'], ['TI' => '=Naps()']]);
    $this->actingAs($world->people['specialist']);
    $review = "/reviews/{$world->review->id}";
    $this->post("{$review}/recipes", [
        'name' => 'Coding desk',
        'format' => 'csv',
        'columns' => "title = Name of study\nyear = Y\nchange = Was\nid = Key",
    ])->assertSessionHasNoErrors();
    $this->post("{$review}/recipes", [
        'name' => 'Bad',
        'format' => 'csv',
        'columns' => "title = T\nshoe = Size",
    ])->assertSessionHasErrors([
        'columns' => 'Line 2: “shoe” is no field. Fields: '.implode(', ', array_keys(ExportByRecipe::FIELDS)).'.',
    ]);
    $recipe = $world->review->recipes()->sole();
    $rows = function (array $with = []) use ($review, $recipe): array {
        $lines = explode(
            "\r\n",
            trim(
                (string) file_get_contents(
                    $this->post("{$review}/recipes/{$recipe->id}/export", $with)
                        ->assertOk()
                        ->baseResponse->getFile()
                        ->getPathname(),
                ),
                "\xEF\xBB\xBF\r\n",
            ),
        );

        return array_map(fn (string $line): array => str_getcsv($line, ',', '"', ''), $lines);
    };
    $id = $world->publication('Lamps')->id;
    expect($rows())->toBe([
        ['Key', 'Name of study', 'Y', 'Was'],
        [$id, 'Lamps', '2020', 'new'],
        [$world->publication('=Naps()')->id, "'=Naps()", '2020', 'new'],
    ]);
    expect($rows(['changed' => 1]))->toHaveCount(1);
    $this->post("{$review}/publications/{$id}/values", [
        'field' => 'title',
        'value' => 'Lamps, mended',
    ])->assertSessionHas('notice');
    $world->deliver([['TI' => 'New one']]);
    expect(array_column($rows(['changed' => 1]), 3))
        ->toBe(['Was', 'changed', 'new'])
        ->and($rows(['changed' => 1]))
        ->toHaveCount(1);
});

it('keeps a recipe’s filter, and tells what is outside it from what is gone', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps', 'DO' => '10.71111/1'], ['TI' => 'Naps'], ['TI' => 'Noise', 'LA' => 'German']]);
    $this->actingAs($world->people['specialist']);
    $review = "/reviews/{$world->review->id}";
    $this->post("{$review}/records/tags", ['label' => 'core', 'on' => '1', 'all' => '3']);
    $this->post("{$review}/recipes?tag=core", [
        'name' => 'Core',
        'format' => 'csv',
        'columns' => "title = Study\nyear = Year\ndoi = Link\ntags = Tags\nstatus = Stands\nreason = Why\ndelivered = Came\nchange = Was",
    ])->assertSessionHas('notice', 'The recipe is kept, of those tagged “core”.');
    $recipe = $world->review->recipes()->sole();
    $rows = function (array $with = [], string $query = '') use ($review, $recipe): array {
        $file = $this->post("{$review}/recipes/{$recipe->id}/export{$query}", $with)
            ->assertOk()
            ->baseResponse->getFile()
            ->getPathname();

        return array_map(
            fn (string $line): array => str_getcsv($line, ',', '"', ''),
            explode("\r\n", trim((string) file_get_contents($file), "\xEF\xBB\xBF\r\n")),
        );
    };
    $world->decide('anna', $world->item(0), 'exclude');
    $world->decide('ben', $world->item(0), 'exclude');
    $today = now()->format('Y-m-d');
    [$lamps, $naps] = [$world->publication('Lamps')->id, $world->publication('Naps')->id];
    // whatever is shown when it is pressed
    expect($rows(query: '?q=nothing')[1])->toBe([
        $lamps,
        'Lamps',
        '2020',
        'https://doi.org/10.71111/1',
        'core',
        'excluded at “Title and abstract”',
        'Not staff',
        $today,
        'new',
    ]);
    $this->post("{$review}/records/tags", ['label' => 'core', 'on' => '0', 'ids' => [$naps]]);
    $this->post("{$review}/records/remove", ['reason' => 'Wrong', 'ids' => [$lamps], 'sure' => '1']);
    $changed = array_map(fn (array $row): array => [$row[0], end($row)], $rows(['changed' => 1]));
    sort($changed);
    $expected = [['id', 'Was'], [$lamps, 'gone'], [$naps, 'outside']];
    sort($expected);
    expect($changed)->toBe($expected);
});

it('mends a publication by hand and keeps what was delivered', function () {
    $world = new World();
    $world->deliver([['TI' => 'Lmaps']]);
    $publication = $world->publication('Lmaps');
    $mend = fn (array $with) => $this->actingAs($world->people['specialist'])->post(
        "/reviews/{$world->review->id}/publications/{$publication->id}/values",
        $with,
    );
    $mend(['field' => 'title', 'value' => 'Lamps'])->assertSessionHas('notice');
    $mend(['field' => 'year', 'value' => 'soon'])->assertSessionHasErrors('value');
    $mend(['field' => 'title', 'value' => ''])->assertSessionHasErrors('value');
    $this->get("/reviews/{$world->review->id}/publications/{$publication->id}")
        ->assertSee('Lamps')
        ->assertSee('chosen by Mirela Haas')
        ->assertSee('Lmaps')
        ->assertSee('Mirela Haas: Mended');
    // a blinded decision stays out of the history that others see
    $world->decide('anna', $world->item(), 'include');
    $this->get("/reviews/{$world->review->id}/publications/{$publication->id}")->assertDontSee('Decided on');
    $this->actingAs($world->people['anna'])
        ->get("/reviews/{$world->review->id}/publications/{$publication->id}")
        ->assertSee('Decided on');
    // it outlives new records, and is found by
    $world->deliver([['TI' => 'Lmaps', 'DO' => '10.71111/l']]);
    expect($publication->refresh()->only('title', 'doi', 'records_count'))->toBe([
        'title' => 'Lamps',
        'doi' => '10.71111/l',
        'records_count' => 2,
    ]);
    $this->get("/reviews/{$world->review->id}/records?q=title:lamps")->assertSee('Lamps');
    $mend(['field' => 'title', 'back' => 1])->assertSessionHas('notice');
    expect($publication->refresh()->title)->toBe('Lmaps');
    $this->actingAs($world->people['observer'])
        ->post("/reviews/{$world->review->id}/publications/{$publication->id}/values", [
            'field' => 'title',
            'value' => 'x',
        ])
        ->assertForbidden();
});

it('fills the form with what the locker knows of a DOI', function () {
    Standin::answers();
    $world = new World();
    [$doi] = \WaryHeron\Standins\Store::connect()
        ->query("SELECT doi FROM alder.records WHERE doi <> '' ORDER BY number LIMIT 1")
        ->fetch(\PDO::FETCH_NUM);
    $look = fn (string $doi) => $this->actingAs($world->people['specialist'])->get(
        "/reviews/{$world->review->id}/records/describe?doi=".rawurlencode($doi).'&why=by+Ben',
    );
    $look("https://doi.org/{$doi}")->assertSessionHas('described');
    $page = $this->get("/reviews/{$world->review->id}/records")
        ->assertSee($doi)
        ->assertSee('by Ben');
    expect($page->markup())
        ->toMatch('/name="title" value="[^"]{10,}"/')
        ->and($world->review->publications()->count())
        ->toBe(0);
    $look('10.9999/unknown')->assertSessionHasErrors('doi');
    $look('nonsense')->assertSessionHasErrors('doi');
    Standin::answers(fn () => Http::response('[{"title":', 200));
    $look($doi)->assertSessionHasErrors([
        'doi' => 'The full-text locker sent an answer that cannot be read: the file ends within this item.',
    ]);
});

it('adds one by hand, as a delivery of its own', function () {
    $world = new World();
    $this->actingAs($world->people['specialist'])
        ->post("/reviews/{$world->review->id}/records", [
            'title' => 'Found in a drawer',
            'authors' => 'Haas, M.; Strand, B.',
            'year' => '1999',
            'why' => '',
        ])
        ->assertSessionHasErrors('why');
    $this->post("/reviews/{$world->review->id}/records", [
        'title' => 'Found in a drawer',
        'authors' => 'Haas, M.; Strand, B.',
        'year' => '1999',
        'why' => 'Named by Ben.',
    ])->assertSessionHasNoErrors();
    expect($world->publication('Found in a drawer')->authors)
        ->toBe('Haas M; Strand B')
        ->and($world->review->deliveries()->sole()->notes)
        ->toBe('Named by Ben.');
});

it('searches tags, notes and decisions, as far as one may see them', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Lamps'], ['TI' => 'Naps'], ['TI' => 'Shifts']]);
    $world->decide('anna', $world->item(0), 'include', 'A naïve dose, 5000 lux');
    $world->decide('anna', $world->item(1), 'unsure', 'Ask about the dose');
    $world->decide('ben', $world->item(1), 'exclude');
    app(PostToTalk::class)->execute($world->people['ben'], $world->item(1)->refresh(), 'See the protocol paper');
    $this->actingAs($world->people['anna'])->post("/reviews/{$world->review->id}/records/tags", [
        'label' => 'pilot study',
        'on' => '1',
        'ids' => [$world->publication('Shifts')->id],
    ]);
    $found = function (string $who, string $query) use ($world): array {
        preg_match_all(
            '~class="title-link"[^>]*>(.*?)</a>~s',
            $this->actingAs($world->people[$who])
                ->get("/reviews/{$world->review->id}/records?q=".urlencode($query).'&sort=title')
                ->assertOk()
                ->getContent(),
            $titles,
        );

        return array_map(fn (string $title): string => trim(strip_tags($title)), $titles[1]);
    };
    expect($found('anna', 'note:dose'))
        ->toBe(['Lamps', 'Naps'])
        ->and($found('ben', 'note:dose'))
        ->toBe(['Naps'])
        ->and($found('lead', 'note:naive'))
        ->toBe([])
        ->and($found('anna', 'note:"naive dose"'))
        ->toBe(['Lamps']);
    expect($found('anna', 'decision:include'))
        ->toBe(['Lamps'])
        ->and($found('ben', 'decision:include'))
        ->toBe([])
        ->and($found('observer', 'decision:(unsure OR include)'))
        ->toBe(['Naps'])
        ->and($found('observer', 'nap* NOT decision:exclude'))
        ->toBe([]);
    expect($found('ben', 'title:(lamp* OR nap*) NOT note:dos*'))
        ->toBe(['Lamps'])
        ->and($found('observer', 'note:protocol'))
        ->toBe(['Naps']);
    expect($found('observer', 'tag:pilot'))
        ->toBe(['Shifts'])
        ->and($found('observer', 'tag:stud* AND title:shift*'))
        ->toBe(['Shifts']);
    // a note that is blinded is not told by the way the count moves
    expect($found('coder', 'title:lamps AND note:dose'))
        ->toBe([])
        ->and($found('coder', 'title:lamps NOT note:dose'))
        ->toBe(['Lamps']);
});

it('removes publications with a reason and brings them back with all that was said of them', function () {
    $world = (new World())->withCriteria();
    $world->deliver([
        ['TI' => 'Lamps'],
        ['TI' => 'Naps'],
        ['TI' => 'Shifts', 'LA' => 'German'],
        ['TI' => 'Rota', 'LA' => 'German'],
    ]);
    foreach (['anna' => 'include', 'ben' => 'exclude'] as $who => $verdict) {
        $world->decide($who, $world->item(2), $verdict, 'My note');
    }
    $states = fn (): array => $world->review
        ->items()
        ->orderBy('position')
        ->get()
        ->map(fn ($item): string => $item->state->value)
        ->all();
    $before = $states();
    $path = "/reviews/{$world->review->id}/records";
    $this->actingAs($world->people['specialist'])
        ->post("{$path}/remove?language=German")
        ->assertSessionHasErrors('reason');
    // nothing ticked is nothing done, here and when tagging and bringing back
    $this->post("{$path}/remove?language=German", ['reason' => 'x', 'sure' => '1'])->assertSessionHas(
        'problem',
        'Nothing is ticked, so nothing was done. Tick publications in the list, or the box for all that are shown.',
    );
    $this->post("{$path}/remove", ['reason' => 'x', 'ids' => [], 'sure' => '1'])->assertSessionHas('problem');
    $this->post("{$path}/tags", ['label' => 'x', 'on' => '1'])->assertSessionHas('problem');
    $this->post("{$path}/restore", ['sure' => '1'])->assertSessionHas('problem');
    expect($states())->toBe($before);
    // asked once, with the number, and with what was ticked and typed
    $ids = $world->review->publications()->orderBy('id')->limit(2)->pluck('id')->all();
    $asked = $this->post("{$path}/remove?language=German", ['reason' => 'Wrong', 'ids' => $ids]);
    expect($states())->toBe($before);
    $this->get($asked->headers->get('Location'))
        ->assertSee('Take 2 publications out of the review, as “Wrong”?')
        ->assertSee("name=\"ids[]\" value=\"{$ids[1]}\"", false);
    $this->followingRedirects()
        ->from($path)
        ->post("{$path}/remove", ['reason' => '', 'ids' => [$ids[0]]])
        ->assertSee('Give the reason')
        ->assertSeeInOrder([$ids[0], 'checked'], false);
    // all that are shown, as many as was said and no other
    $this->post("{$path}/remove?language=German", ['reason' => 'x', 'all' => '4', 'sure' => '1'])->assertSessionHas(
        'problem',
    );
    $this->post("{$path}/remove?language=German", ['reason' => 'x', 'all' => '2'])->assertSessionHas('asking.count', 2);
    expect($states())->toBe($before);
    $this->post("{$path}/remove?language=German", [
        'reason' => '=Language that nobody reads',
        'all' => '2',
        'sure' => '1',
    ])->assertSessionHas('notice');
    expect($states())->toBe(['waiting', 'waiting', 'removed', 'removed']);
    $this->get($path)->assertSeeText('2 publications')->assertDontSee('>Shifts<', false);
    $this->get("{$path}?removed=1")
        ->assertSeeText('Language that nobody reads')
        ->assertSee('Shifts')
        ->assertSeeText('removed from the review');
    $this->get("/reviews/{$world->review->id}/report")
        ->assertDontSeeText('do not add up')
        ->assertSeeText('removed for other reasons');
    expect(Tallies::of($world->review)->all())
        ->toBe(2)
        ->and(MatchInput::of($world->review)->prints)
        ->toHaveCount(2);
    // the same record again joins what was removed, and does not bring it back; nobody can judge it meanwhile
    $world->deliver([['TI' => 'Rota', 'LA' => 'German']], 'Elsewhere');
    expect($states())->toHaveCount(4);
    expect(fn () => $world->decide('anna', $world->item(3), 'include'))->toThrow(
        Refused::class,
        'Language that nobody reads',
    );
    $this->actingAs($world->people['anna'])
        ->post("{$path}/restore")
        ->assertForbidden();
    $this->actingAs($world->people['specialist'])
        ->post("{$path}/restore", ['ids' => [$world->publication('Shifts')->id], 'sure' => '1'])
        ->assertSessionHas('notice', '1 publication is back, with all decisions.');
    expect($states())->toBe(['waiting', 'waiting', 'disagreement', 'removed']);
    $this->post("{$path}/restore", ['all' => '1'])->assertSessionHas('asking.count', 1);
    $this->post("{$path}/restore", ['all' => '1', 'sure' => '1'])->assertSessionHas('notice');
    expect($states())
        ->toBe($before)
        ->and($world->review->fresh()->publications()->whereNotNull('removed_at')->count())
        ->toBe(0);
    $this->get("/reviews/{$world->review->id}/publications/{$world->publication('Shifts')->id}")
        ->assertSeeText('Removed from the review: =Language')
        ->assertSeeText('Brought back');
});

it('finds what masked words stand for, also words that came later', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Behaviour of women'], ['TI' => 'Behavior of a woman'], ['TI' => 'Behave']]);
    $found = function (string $query) use ($world): array {
        $page = html_entity_decode(
            $this->actingAs($world->people['anna'])
                ->get("/reviews/{$world->review->id}/records?q=".urlencode($query))
                ->assertOk()
                ->getContent(),
        );

        return array_values(
            array_filter(
                ['Behaviour of women', 'Behavior of a woman', 'Behave', 'Womanly lamps'],
                fn (string $title): bool => str_contains($page, "{$title}"),
            ),
        );
    };
    expect($found('behavio*r'))
        ->toBe(['Behaviour of women', 'Behavior of a woman'])
        ->and($found('title:wom?n'))
        ->toBe(['Behaviour of women', 'Behavior of a woman'])
        ->and($found('"behavio~r of women"'))
        ->toBe(['Behaviour of women'])
        ->and($found('xylo*phone'))
        ->toBe([]);
    $world->deliver([['TI' => 'Womanly lamps']], 'Later');
    expect($found('*manly'))->toBe(['Womanly lamps']);
});

it('finds authors by their names alone, given names too, and nothing that only says them', function () {
    $world = (new World())->withCriteria();
    $world->deliver([
        ['TI' => 'Okafor reconsidered', 'AU' => 'Haas, Mirela'],
        ['TI' => 'Lamps', 'AU' => 'Okafor, Ines'],
    ]);
    $found = function (string $query) use ($world): array {
        $page = (string) $this->actingAs($world->people['anna'])
            ->get("/reviews/{$world->review->id}/records?q=".urlencode($query))
            ->assertOk()
            ->getContent();

        return array_values(
            array_filter(['Okafor reconsidered', 'Lamps<'], fn (string $title): bool => str_contains($page, $title)),
        );
    };
    expect($found('author:okafor'))
        ->toBe(['Lamps<'])
        ->and($found('author:ines'))
        ->toBe(['Lamps<'])
        ->and($found('author:(haas OR okafor)'))
        ->toHaveCount(2)
        ->and($found('title,author:okafor'))
        ->toHaveCount(2)
        ->and($found('author:okafor AND title:lamps'))
        ->toBe(['Lamps<']);
});

it('does not take an author for what a record says, nor the other way round', function () {
    $world = (new World())->withCriteria();
    $world->deliver([
        ['TI' => 'Light reconsidered', 'AU' => 'Haas, Mirela'],
        ['TI' => 'Torches', 'AU' => 'Light, Ines', 'AB' => 'Nothing.'],
        ['TI' => 'Light torches', 'AU' => 'Light, Ada'],
        ['TI' => 'Shades', 'AU' => 'Lightfoot, Ada', 'AB' => 'Night.'],
    ]);
    $found = function (string $query) use ($world): array {
        $page = strip_tags(
            (string) $this->actingAs($world->people['anna'])
                ->get("/reviews/{$world->review->id}/records?q=".urlencode($query))
                ->assertOk()
                ->getContent(),
        );

        return array_values(
            array_filter(
                ['Light reconsidered', 'Torches', 'Light torches', 'Shades'],
                fn (string $title): bool => str_contains($page, $title),
            ),
        );
    };
    expect($found('light'))
        ->toBe(['Light reconsidered', 'Light torches'])
        ->and($found('light*'))
        ->toBe(['Light reconsidered', 'Light torches'])
        ->and($found('light AND torches'))
        ->toBe(['Light torches'])
        ->and($found('light OR night'))
        ->toBe(['Light reconsidered', 'Light torches', 'Shades'])
        ->and($found('torches NOT light'))
        ->toBe(['Torches'])
        ->and($found('author:light AND torches'))
        ->toBe(['Torches', 'Light torches'])
        ->and($found('title:torches AND light'))
        ->toBe(['Light torches']);
});
