<?php

namespace Tests\Feature\Shared;

use App\Models\Task;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Tests\Feature\World;

/** What no page of ours sends is answered as a mistake of the sender, never as one of ours. */
beforeEach(function () {
    $this->world = (new World())->withCriteria();
    $this->world->deliver([['TI' => 'One', 'PY' => '2019'], ['TI' => 'Two', 'PY' => '2020']]);
});

it('answers odd addresses without an error of ours', function (string $path) {
    $status = $this->actingAs($this->world->people['lead'])
        ->get("/reviews/{$this->world->review->id}/{$path}")
        ->getStatusCode();
    expect($status)->toBeLessThan(500);
})->with(function () {
    $cursor = fn (mixed ...$parts): string => rtrim(strtr(base64_encode(json_encode($parts)), '+/', '-_'), '=');
    $id = '01arz3ndektsv4rrffq69g5fav';

    return [
        'records?sort=year&at='.$cursor('soon', $id, false, 1),
        'records?sort=year&at='.$cursor(1.5, $id, false, 1),
        'records?sort=records&at='.$cursor(99999999999, $id, false, 1),
        'records?sort=title&at='.$cursor("a\0b", $id, false, 1),
        'records?sort=title&at='.$cursor(['x'], $id, false, 1),
        'records?sort=added&at='.$cursor(1, 'x', true, 1),
        'records?sort=year&at='.$cursor(2019, $id, false, -5),
        'records?at[]=x',
        'records?at=%00',
        'records?q[]=x&state[]=y&tag[]=z',
        'records?q=%C3%28',
        'records?tag=a%00b',
        'records?from=1e9&to=-1',
        'matching/certain?page=1e20',
        'matching/certain?page[]=1',
        'matching/certain?sample=1&seed=99999999999999999999',
        'matching/joined?page=99999999999999999999',
        'thesauri?heading[]=x',
        'thesauri?scheme[]=x',
        'dialects?open[]=x',
        'screening?stage[]=x',
        'screening/desk?q[]=x',
        'screening/disagreements?kind[]=x&pair[]=y',
        'screening/share-outs?people=x&quota=y&sample[]=1&seed=z',
        'full-texts?page=1e30&words[]=x',
        'coding?x[]=1',
        'log?cursor=%00',
        'log?cursor=eyJ4IjoxfQ',
        'find?q[]=x',
        'screening/agreement?criterion[]=x',
        'screening/order?stage[]=x',
        'exports/included/none',
        'records/export/references?style[]=x&as[]=y',
    ];
});

it('answers odd forms without an error of ours', function (string $method, string $path, array $form) {
    $this->actingAs($this->world->people['lead']);
    expect(
        $this->json(
            $method,
            str_starts_with($path, '/') ? $path : "/reviews/{$this->world->review->id}/{$path}",
            $form,
        )->getStatusCode(),
    )->toBeLessThan(500);
})->with([
    ['PUT', '/account', ['name' => ['x'], 'password' => ['y']]],
    [
        'PUT',
        '/account',
        [
            'name' => 'Ines',
            'current_password' => 'a long password',
            'password' => "a\0long password",
            'password_confirmation' => "a\0long password",
        ],
    ],
    ['POST', '/notices', ['notice' => ['x']]],
    ['POST', '/tasks/seen', ['tasks' => 'x']],
    ['POST', 'records/remove', ['reason' => ['x'], 'ids' => 'y', 'all' => 'z']],
    ['POST', 'records/tags', ['label' => "a\0b", 'on' => '1', 'all' => '1']],
    ['POST', 'recipes', ['name' => ['x'], 'columns' => ['y']]],
    ['PUT', 'report/flow', ['captions' => ['x' => ['y']], 'previous_studies' => '99999999999999']],
    ['PUT', 'searches/report', ['browsing' => ['x']]],
    ['POST', 'deliveries', ['files' => ['x'], 'searched_on' => ['y']]],
    ['POST', 'pairing/rulings', ['parts' => 'x']],
    ['POST', 'pairing/undo', ['stroke' => ['x']]],
]);

it('lets nobody in by odd forms either', function (array $form) {
    expect($this->post('/sign-in', $form)->getStatusCode())->toBeLessThan(500);
    $this->assertGuest();
})->with([
    [['email' => ['x'], 'password' => 'y']],
    [['email' => 'anna@heron.example', 'password' => ['y']]],
    [['email' => "anna@heron.example\0", 'password' => "a long password\0"]],
    [['email' => 'anna@heron.example', 'password' => "\0"]],
    [[]],
]);

it('reads a thesaurus in the background, and says what is wrong with one', function () {
    Storage::fake('local');
    $path = "/reviews/{$this->world->review->id}/thesauri";
    $skos =
        "@prefix skos: <http://www.w3.org/2004/02/skos/core#> .\n<http://x.example/s> a skos:ConceptScheme .\n<http://x.example/1> a skos:Concept ; skos:prefLabel \"Lamps\"@en ; skos:inScheme <http://x.example/s> .\n";
    $this->actingAs($this->world->people['specialist'])
        ->post($path, ['title' => 'Ours', 'file' => UploadedFile::fake()->createWithContent('ours.ttl', $skos)])
        ->assertRedirect($path);
    expect($this->world->review->schemes()->sole()->title)
        ->toBe('Ours')
        ->and(Task::query()->where('kind', 'thesaurus')->sole()->message)
        ->toBe('Added “Ours” with 1 headings.')
        ->and(Storage::allFiles('thesauri'))
        ->toBe([]);
    $this->post($path, [
        'file' => UploadedFile::fake()->createWithContent('bad.ttl', 'no turtle at all {'),
    ])->assertRedirect($path);
    expect(Task::query()->where('kind', 'thesaurus')->orderByDesc('id')->first()->state->value)
        ->toBe('failed')
        ->and($this->world->review->schemes()->count())
        ->toBe(1);
    $this->post($path, ['file' => UploadedFile::fake()->create('large.ttl', 21 * 1024)])->assertSessionHasErrors(
        'file',
    );
});

it('opens the page of a delivery before its first batch is kept', function () {
    $delivery = $this->world->review->deliveries()->sole();
    $delivery->update(['state' => 'running']);
    \Illuminate\Support\Facades\DB::table('records')->update(['publication_id' => null]);
    $this->actingAs($this->world->people['lead'])
        ->get("/reviews/{$this->world->review->id}/deliveries/{$delivery->id}")
        ->assertOk();
});

it('shows a table that cannot be read as what it is, and lets it go', function (string $workbook) {
    $path = "/reviews/{$this->world->review->id}/deliveries";
    $zip = new \ZipArchive();
    $zip->open($name = (string) tempnam(sys_get_temp_dir(), 'xlsx'), \ZipArchive::OVERWRITE);
    $zip->addFromString('[Content_Types].xml', '<Types/>');
    $zip->addFromString('xl/workbook.xml', $workbook);
    $zip->close();
    $this->actingAs($this->world->people['specialist'])
        ->post($path, [
            'files' => [new UploadedFile($name, 'entities.xlsx', null, null, true)],
            'source_name' => 'Somewhere',
            'searched_on' => '2026-11-01',
        ])
        ->assertRedirect();
    $delivery = $this->world->review->deliveries()->where('source_name', 'Somewhere')->sole();
    expect($delivery->state)->toBe('failed')->and($delivery->failure)->toContain('entities');
    $this->get("{$path}/{$delivery->id}")
        ->assertOk()
        ->assertSee($delivery->failure);
    $this->post("{$path}/{$delivery->id}/withdraw")->assertRedirect();
})->with(function () {
    $hostile = '<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]><workbook>&a;</workbook>';

    return [
        'at the top' => [$hostile],
        'after a long comment' => ['<!-- '.str_repeat('wards ', 1000).' -->'.$hostile],
        'in two bytes' => [mb_convert_encoding($hostile, 'UTF-16LE')],
    ];
});

it('keeps no more of one review than it may take of the disk', function () {
    config(['heron.review_gigabytes' => 1 / 1024 ** 3]);
    $path = "/reviews/{$this->world->review->id}";
    $this->actingAs($this->world->people['specialist']);
    $ris = UploadedFile::fake()->createWithContent('more.ris', "TY  - JOUR\nTI  - More\nER  - \n");
    $this->from("{$path}/deliveries")
        ->post("{$path}/deliveries", ['files' => [$ris], 'source_name' => 'Somewhere', 'searched_on' => '2026-11-01'])
        ->assertRedirect()
        ->assertSessionHas(
            'problems',
            fn (array $told): bool => str_contains(json_encode($told), 'Nothing was kept of it'),
        );
    expect($this->world->review->deliveries()->count())->toBe(1);
});
