<?php

use Tests\Feature\World;

it('narrows down by query and filters, and says what each takes away', function () {
    $world = (new World)->withCriteria();
    $world->deliver([['TI' => 'Lamp one'], ['TI' => 'Lamp two', 'AB' => ''], ['TI' => 'Nap', 'AB' => 'Sleep at work']]);
    $world->decide('anna', $world->item(0), 'include');
    $world->decide('ben', $world->item(0), 'include');
    $page = fn (string $filters) => $this->actingAs($world->people['observer'])->get("/reviews/{$world->review->id}/records?{$filters}")->assertOk();
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
    $world = new World;
    $world->deliver(array_map(fn (int $i): array => ['TI' => 'Study '.($i % 7), 'AU' => 'A'.($i % 5).', X', 'PY' => (string) (1990 + $i % 11), 'DO' => "10.71111/{$i}"], range(1, 130)));
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
    preg_match_all('~class="title-link" href="[^"]+/publications/(\w+)"~', $this->get(html_entity_decode($previous[1]))->getContent(), $back);
    expect($back[1])->toBe($pages[1]);
})->with(['', 'desc=1', 'sort=title', 'sort=year&desc=1', 'sort=author', 'sort=records']);

it('teaches where it is empty', function () {
    $world = new World;
    $this->actingAs($world->people['lead']);
    foreach (['question' => 'No criteria yet', 'searches' => 'No searches yet', 'deliveries' => 'Nothing has been delivered yet', 'records' => 'No publications yet', 'screening' => 'Nothing to screen yet', 'screening/desk' => 'Nothing is left', 'screening/disagreements' => 'No disagreement is open', 'screening/agreement' => 'Nothing to compare yet', 'coding' => 'Nothing is included yet', 'codebook' => 'The codebook is empty', 'report' => 'records delivered'] as $path => $words) {
        $this->get("/reviews/{$world->review->id}/{$path}")->assertOk()->assertSee($words);
    }
});

it('finds publications for Ctrl-K', function () {
    $world = new World;
    $world->deliver([['TI' => 'Lamps for nurses', 'AU' => 'Okafor, I']]);
    $find = fn (string $text) => $this->actingAs($world->people['anna'])->getJson("/reviews/{$world->review->id}/find?q=".urlencode($text))->assertOk()->json('found.*.title');
    expect($find('okaf'))->toBe(['Lamps for nurses'])->and($find('lamps nu'))->toBe(['Lamps for nurses'])->and($find("x' | !"))->toBe([])->and($find("'; --"))->toBe([]);
});
