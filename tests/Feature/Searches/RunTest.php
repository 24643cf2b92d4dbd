<?php

namespace Tests\Feature\Searches;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Searches\ChangeStrategy;
use App\Actions\Searches\RunStrategy;
use App\Models\Record;
use Illuminate\Support\Facades\Http;
use Tests\Feature\Standin;
use Tests\Feature\World;

it('runs a frozen version, fetches it in batches, and later only what is new', function () {
    Standin::answers();
    config(['heron.sources.tern.batch' => 40]);
    $world = new World();
    $review = "/reviews/{$world->review->id}";
    $strategy = Strategies::in($world, ['(bright OR blue*) NEAR/2 light*', '#1 AND year:2010-'], ['tern', 'fen']);
    $this->actingAs($world->people['anna'])
        ->post("{$review}/searches/{$strategy->id}/runs", ['sources' => ['tern', 'fen'], 'fetch' => 'all'])
        ->assertRedirect();
    [$tern, $fen] = $strategy->runs()->orderBy('source', 'desc')->get()->all();
    expect(Record::query()->count())
        ->toBe(0)
        ->and($tern->lines[1]['sent'])
        ->toBe('S2 FIND S1 AND PY=2010-')
        ->and($tern->total)
        ->toBe($tern->lines[1]['count'])
        ->toBeGreaterThan(45)
        ->and($fen->lines[1]['notes'][0])
        ->toContain('no such limit');
    $this->post("{$review}/runs/{$tern->id}/fetch")->assertForbidden();
    $this->actingAs($world->people['specialist'])
        ->post("{$review}/runs/{$tern->id}/fetch")
        ->assertRedirect();
    $delivery = $world->review->deliveries()->sole();
    expect($delivery->state)
        ->toBe('done')
        ->and($delivery->kept)
        ->toBe($tern->total)
        ->and(Record::query()->count())
        ->toBe($tern->total);
    $this->post("{$review}/runs/{$tern->id}/fetch")->assertRedirect();
    expect($world->review->deliveries()->count())->toBe(1);
    // widened, and run again
    app(ChangeStrategy::class)->execute($world->people['anna'], $strategy, 1, 'set-line', [
        'line' => 'l1',
        'text' => '#1 AND year:2005-',
    ]);
    $again = app(RunStrategy::class)->execute($world->people['specialist'], $strategy->refresh(), 'tern');
    expect($again->version)->toBe(2)->and($again->total)->toBeGreaterThan($tern->total);
    app(StartDelivery::class)->ofRun($world->people['specialist'], $again, true);
    $second = $again->deliveries()->sole();
    expect([$second->state, $second->passed_over, $second->kept])
        ->toBe(['done', $tern->total, $again->total - $tern->total])
        ->and($second->position)
        ->toBe($again->total);
    $this->get("{$review}/searches/{$strategy->id}/versions")
        ->assertOk()
        ->assertSee('#1 AND year:2010-')
        ->assertSee('changed');
    $this->get("{$review}/searches/report")
        ->assertOk()
        ->assertSee('Tern Abstracts')
        ->assertSee('S2 FIND S1 AND PY=2005-')
        ->assertSee(number_format($tern->total).' more had been fetched before');
    $text = $this->get("{$review}/searches/report/txt")->getContent();
    expect($text)
        ->toContain('year:2010-')
        ->toContain(number_format($again->total).' found')
        ->and(substr($this->get("{$review}/searches/report/docx")->getContent(), 0, 2))
        ->toBe('PK');
    // taken along without a delivery
    $file = function (string $format, string $more = '') use ($review, $strategy): string {
        $path = $this->get(
            "{$review}/searches/{$strategy->id}/results/download?source=tern&line=2&from=3&to=47&format={$format}&fields=citation{$more}",
        )
            ->assertOk()
            ->baseResponse->getFile()
            ->getPathname();

        return (string) file_get_contents($path);
    };
    expect(substr_count($file('ris'), "\nER  -"))
        ->toBe(45)
        ->and($file('ris'))
        ->not->toContain('AB  - ')
        ->and(substr_count($file('nbib'), 'PMID- '))
        ->toBe(45)
        ->and(substr_count($file('bibtex'), "\n}\n"))
        ->toBe(45);
    expect(substr_count($file('ris', '&picked=2,5,44'), "\nER  -"))
        ->toBe(3)
        ->and($file('ris', '&picked=3,4'))
        ->toStartWith(substr($file('ris'), 0, 60));
    $this->get(
        "{$review}/searches/{$strategy->id}/results/download?source=tern&line=2&from=1&to=2&format=ris&fields=citation&picked=1;2",
    )->assertSessionHasErrors('picked');
    // a range ends where the list ends, however far it was asked for
    $total = $again->total;
    $all = fn (string $range): \Illuminate\Testing\TestResponse => $this->get(
        "{$review}/searches/{$strategy->id}/results/download?source=tern&line=2&{$range}&format=csv&fields=citation",
    );
    $rows = fn (\Illuminate\Testing\TestResponse $answer): int => substr_count(
        rtrim((string) file_get_contents($answer->assertOk()->baseResponse->getFile()->getPathname())),
        "\r\n",
    );
    expect($rows($all('from='.($total - 4).'&to='.($total + 1500))))
        ->toBe(5)
        ->and($rows($all('batch='.($total - 2))))
        ->toBe(3);
    $all('from='.($total + 1).'&to='.($total + 2000))
        ->assertRedirect()
        ->assertSessionHas(
            'problem',
            'The list ends with record '.
                number_format($total).
                ', so there is nothing from '.
                number_format($total + 1).
                ' on.',
        );
    $all('from=5&to=2')->assertSessionHasErrors('to');
    $path = tempnam(sys_get_temp_dir(), 'x');
    file_put_contents($path, $file('xlsx', '&strategy=1'));
    $reader = \OpenSpout\Reader\Common\Creator\ReaderEntityFactory::createXLSXReader();
    $reader->open($path);
    $sheets = [];
    foreach ($reader->getSheetIterator() as $sheet) {
        foreach ($sheet->getRowIterator() as $row) {
            $sheets[$sheet->getName()][] = $row->toArray();
        }
    }
    expect(array_map(count(...), $sheets))
        ->toBe(['Sheet1' => 46, 'Strategy' => 6])
        ->and($sheets['Strategy'][5][1])
        ->toContain('#1 AND year:2005-');
    file_put_contents($path, $file('csv', '&strategy=1'));
    $zip = new \ZipArchive();
    expect($zip->open($path))
        ->toBeTrue()
        ->and($zip->getFromName('strategy.txt'))
        ->toContain('(bright OR blue*) NEAR/2 light*')
        ->and(substr_count((string) $zip->getFromName('tern-3-47.csv'), "\r\n"))
        ->toBe(46);
    foreach (['oldest', 'relevance'] as $order) {
        $this->get("{$review}/searches/{$strategy->id}/results?source=tern&order={$order}")
            ->assertOk()
            ->assertSee('<mark>', false);
    }
    $this->get("{$review}/searches/{$strategy->id}/results?source=tern")
        ->assertOk()
        ->assertSee('<mark>', false)
        ->assertSee('Headings:');
    $this->get(
        "{$review}/searches/{$strategy->id}/results?source=tern&query=".
            rawurlencode('heading:"Night duty" AND heading:"Light interventions"'),
    )
        ->assertOk()
        ->assertSee('Records like one')
        ->assertSee('Light interventions');
    $this->get("{$review}/searches/{$strategy->id}/results?source=tern&query=".rawurlencode('#1 AND ('))
        ->assertOk()
        ->assertSee('Line #1, column');
});

it('stops clearly when the source fails, and goes on without a gap', function (\Closure $failure, string $says) {
    $asked = 0;
    $broken = true;
    Standin::answers(function ($request) use (&$asked, &$broken, $failure) {
        return $broken && $request->method() === 'POST' && (int) $request['maximumRecords'] > 0 && ++$asked > 1
            ? $failure()
            : null;
    });
    config(['heron.sources.alder.batch' => 20]);
    $world = new World();
    $run = app(RunStrategy::class)->execute(
        $world->people['specialist'],
        Strategies::in($world, ['title:light*']),
        'alder',
    );
    $this->actingAs($world->people['specialist'])
        ->post("/reviews/{$world->review->id}/runs/{$run->id}/fetch")
        ->assertRedirect();
    $delivery = $world->review->deliveries()->sole();
    expect($delivery->state)->toBe('failed')->and($delivery->failure)->toContain($says)->and($delivery->kept)->toBe(20);
    $broken = false;
    $this->post("/reviews/{$world->review->id}/deliveries/{$delivery->id}/go-on")->assertRedirect();
    expect($delivery->refresh()->state)
        ->toBe('done')
        ->and($delivery->kept)
        ->toBe($delivery->expected)
        ->and(Record::query()->distinct()->count('position'))
        ->toBe($delivery->expected);
})->with([
    'down' => [fn () => Http::response('gone', 503), 'status 503'],
    'rubbish' => [fn () => Http::response('<html>'), 'no XML'],
    'cut off' => [
        fn () => Http::response('<?xml version="1.0"?><searchRetrieveResponse><numberOfRecords>99</numb'),
        'no XML',
    ],
    'entities' => [fn () => Http::response('<!DOCTYPE x [<!ENTITY a "b">]><x/>'), 'declares entities'],
    'fewer' => [
        fn () => Http::response('<r xmlns="http://www.loc.gov/zing/srw/"><numberOfRecords>3</numberOfRecords></r>'),
        'now counts 3',
    ],
]);

it('says when the source is away, and keeps what cannot be run', function () {
    Http::fake(fn () => throw new \Illuminate\Http\Client\ConnectionException('refused'));
    $world = new World();
    $strategy = Strategies::in($world, ['lamp'], ['alder', 'fen']);
    $url = "/reviews/{$world->review->id}/searches/{$strategy->id}";
    $this->actingAs($world->people['specialist'])
        ->get("{$url}/results")
        ->assertOk()
        ->assertSee('does not answer');
    $this->postJson("{$url}/numbers")
        ->assertOk()
        ->assertJsonPath('failures.alder', 'Alder Index does not answer.');
    $this->post("{$url}/runs", ['sources' => ['alder']])->assertSessionHas('problems');
    foreach (['', '/lines', '/translation', '/known-items', '/check', '/versions', '/runs'] as $view) {
        $this->get("{$url}{$view}")->assertOk();
    }
    expect($strategy->runs()->count())
        ->toBe(0)
        ->and($strategy->versions()->count())
        ->toBe(0);
});

it('gets the copy of a DOI that the locker has, and says why where it has none', function () {
    Standin::answers();
    $world = new World();
    $dois = array_column(
        \WaryHeron\Standins\Store::connect()
            ->query("SELECT doi FROM alder.records WHERE doi <> '' LIMIT 60")
            ->fetchAll(),
        'doi',
    );
    $get = fn (string $doi) => $this->actingAs($world->people['observer'])->get(
        "/reviews/{$world->review->id}/full-text?doi=".rawurlencode($doi),
    );
    $copies = array_filter($dois, fn (string $doi): bool => $get($doi)->getStatusCode() === 200);
    expect(count($copies))->toBeGreaterThan(5)->toBeLessThan(50);
    $answer = $get(reset($copies))->assertOk()->assertHeader('Content-Type', 'application/pdf');
    expect($answer->headers->get('Content-Disposition'))
        ->toStartWith('attachment;')
        ->and($answer->getContent())
        ->toStartWith('%PDF-1.4')
        ->toContain('%%EOF');
    $get(current(array_diff($dois, $copies)))->assertSessionHas(
        'problem',
        'The full-text locker has no copy: This publisher gives no copy without a subscription.',
    );
    $get('10.9999/unknown')->assertSessionHas('problem');
    $get('javascript:alert(1)')->assertSessionHasErrors('doi');
    Standin::answers(fn () => Http::response('<html>', 200));
    $get(reset($copies))->assertSessionHas('problem', 'The full-text locker has no copy: what came is no PDF.');
});
