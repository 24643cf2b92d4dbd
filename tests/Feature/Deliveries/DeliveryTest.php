<?php

namespace Tests\Feature\Deliveries;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Deliveries\TakeInRecords;
use App\Jobs\Deliveries\DeliverFile;
use App\Models\Delivery;
use App\Models\Item;
use App\Models\LogEntry;
use App\Models\Record;
use App\Models\Task;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\Feature\World;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

it('delivers a file by upload and shows what became of it', function () {
    $world = new World();
    $text =
        World::ris([['TI' => 'One', 'DO' => '10.71111/one'], ['TI' => 'Two', 'XX' => 'kept']]).
        "TY  - JOUR\nPY  - 1811\nER  - \n";
    $send = fn () => $this->actingAs($world->people['specialist'])->post("/reviews/{$world->review->id}/deliveries", [
        'files' => [UploadedFile::fake()->createWithContent("../../<b>evil</b>\n.ris", $text)],
        'source_name' => 'Tern Abstracts',
        'searched_on' => '2026-11-01',
    ]);
    $page = $send()->assertSessionHasNoErrors();
    $delivery = $world->review->deliveries()->sole();
    expect($delivery->only('state', 'kept', 'rejected', 'new', 'position'))->toBe([
        'state' => 'done',
        'kept' => 2,
        'rejected' => 1,
        'new' => 2,
        'position' => 3,
    ]);
    $this->get($page->headers->get('Location'))
        ->assertOk()
        ->assertSee('Tern Abstracts')
        ->assertSee('has no title')
        ->assertSee('PY  - 1811')
        ->assertDontSee('<b>evil', false);
    expect(Record::query()->where('reference->title', 'Two')->sole()->source)->toContain('XX  - kept');

    $send()
        ->assertRedirect("/reviews/{$world->review->id}/deliveries")
        ->assertSessionHas('problems', fn (array $p): bool => str_contains($p[0]['url'], $delivery->id));
    expect($world->review->deliveries()->count())
        ->toBe(1)
        ->and(Record::query()->count())
        ->toBe(2);
});

it('says which letters a table is in, and reads it in others where a person says so', function () {
    $world = new World();
    $page = $this->actingAs($world->people['specialist'])->post("/reviews/{$world->review->id}/deliveries", [
        'files' => [
            UploadedFile::fake()->createWithContent(
                'ward.csv',
                iconv('UTF-8', 'CP1250', "Název studie;Kdo;Poznámka\nÚčinek světla na noční směně;Dvořák, Jiří;č. 1\n"),
            ),
        ],
        'source_name' => 'Ward list',
        'searched_on' => '2026-11-01',
    ]);
    $delivery = $world->review->deliveries()->sole();
    $at = "/reviews/{$world->review->id}/deliveries/{$delivery->id}";
    $this->get($page->headers->get('Location'))
        ->assertSee('Účinek světla na noční směně')
        ->assertSee('<option selected>Windows-1250</option>', false);

    $this->post("{$at}/columns", ['delimiter' => 'semicolon', 'encoding' => 'Windows-1251']);
    $this->get($at)->assertSee('<option selected>Windows-1251</option>', false)->assertDontSee('noční');
    $this->post("{$at}/columns", ['encoding' => 'Klingon'])->assertSessionHasErrors('encoding');

    $this->post("{$at}/read", [
        'delimiter' => 'semicolon',
        'encoding' => 'Windows-1250',
        'columns' => ['title', 'authors', ''],
    ])->assertSessionHasNoErrors();
    expect(Record::query()->sole()->reference['title'])->toBe('Účinek světla na noční směně');
});

it('reads a file again in the letters that a person chooses by how they read', function () {
    $world = new World();
    $ris = "TY  - JOUR\nAU  - Kolbe, Anna\nTI  - Światło w nocy i błędy\nPY  - 2001\nER  - \n";
    $path = tempnam(sys_get_temp_dir(), 'ris');
    file_put_contents($path, iconv('UTF-8', 'CP1250', $ris));
    $deliver = fn (string $encoding): Delivery => app(StartDelivery::class)->ofFile(
        $world->people['specialist'],
        $world->review,
        $path,
        'list.ris',
        'Tern Abstracts',
        now(),
        'kept',
        reading: ['encoding' => $encoding],
    );
    $delivery = $deliver('Windows-1251');
    $at = "/reviews/{$world->review->id}/deliveries/{$delivery->id}";
    expect(Record::query()->sole()->reference['title'])->toContain('Њwiatіo');
    $this->actingAs($world->people['observer'])->get($at)->assertOk()->assertDontSee('Letters look wrong');
    $this->post("{$at}/letters", ['encoding' => 'Windows-1250'])->assertForbidden();
    $this->actingAs($world->people['specialist'])
        ->get($at)
        ->assertSeeInOrder(['Letters look wrong', 'Read as Windows-1251', 'Światło', 'Windows-1250']);
    $this->post("{$at}/letters", ['encoding' => 'Klingon'])->assertSessionHasErrors('encoding');
    $this->post("{$at}/letters", ['encoding' => 'UTF-8'])->assertSessionHas('problem');
    $page = $this->post("{$at}/letters", ['encoding' => 'Windows-1250'])->assertSessionHasNoErrors();
    $again = $world->review->deliveries()->whereNull('withdrawn_at')->sole();
    expect($page->headers->get('Location'))->toEndWith("/deliveries/{$again->id}")
        ->and($world->review->publications()->pluck('title')->all())->toBe(['Światło w nocy i błędy'])
        ->and([$again->file_name, $again->notes, $again->state])->toBe(['list.ris', 'kept', 'done'])
        ->and($delivery->refresh()->withdrawn_at)->not->toBeNull()
        ->and(LogEntry::query()->where('action', 'delivery.letters')->value('summary'))
        ->toBe('Had list.ris read again as Windows-1250');
    // words are whole, though a letter was read as a sign
    file_put_contents($path, "\n", FILE_APPEND);
    $signs = $deliver('Windows-1252');
    $this->get("/reviews/{$world->review->id}/deliveries/{$signs->id}")
        ->assertSeeInOrder(['Read as Windows-1252', 'Œwiat³o b³êdy', 'Światło błędy']);
    // a file in Unicode is in no doubt
    $other = $world->deliverText("TY  - JOUR\nTI  - Światło i sen\nER  - \n");
    $this->get("/reviews/{$world->review->id}/deliveries/{$other->id}")->assertDontSee('Letters look wrong');
});

it('keeps articles of one issue apart whose DOIs hold brackets, also those that were cut off before', function () {
    $world = new World();
    $dois = ['10.1234/(SICI)1097(1999)85:1<1::AID-A>3.0.CO;2-X', '10.1234/(SICI)1097(1999)85:1<10::AID-B>3.0.CO;2-P'];
    $world->deliver(array_map(fn (string $doi, int $i): array => ['TI' => "Lamps {$i}", 'DO' => $doi, 'SP' => "{$i}0"], $dois, [1, 2]));
    $whole = array_map(strtolower(...), $dois);
    $now = fn (): array => [
        Record::query()->orderBy('position')->pluck('doi_key')->all(),
        Record::query()->orderBy('position')->pluck('reference')->map(fn (array $one): string => $one['doi'])->all(),
        $world->review->publications()->orderBy('title')->pluck('doi')->all(),
    ];
    expect($now())->toBe([$whole, $whole, $whole]);

    DB::statement('RESET ROLE');
    DB::statement('ALTER TABLE records DISABLE TRIGGER kept_as_delivered');
    $cut = '10.1234/(sici)1097(1999)85:1';
    DB::table('records')->update(['doi_key' => $cut, 'reference' => DB::raw("jsonb_set(reference, '{doi}', '\"{$cut}\"')")]);
    DB::table('publications')->update(['doi' => $cut]);
    DB::statement('ALTER TABLE records ENABLE TRIGGER kept_as_delivered');
    (require base_path('database/migrations/2026_11_29_000071_dois_with_brackets.php'))->up();
    expect($now())->toBe([$whole, $whole, $whole]);
});

it('refuses what is no such file, and takes it when it is mended', function (string $text, string $why) {
    $world = new World();
    $this->actingAs($world->people['specialist'])
        ->post("/reviews/{$world->review->id}/deliveries", [
            'files' => [UploadedFile::fake()->createWithContent('a.ris', $text)],
            'source_name' => 'Tern',
            'searched_on' => '2026-11-01',
        ])
        ->assertSessionHas('problems', fn (array $p): bool => str_contains($p[0]['text'], $why));
    expect($world->review->deliveries()->count())
        ->toBe(0)
        ->and(Record::query()->count())
        ->toBe(0);
    expect($world->deliver([[]])->state)->toBe('done');
})->with([
    ["PK\x03\x04\0\0binary", 'damaged'],
    ["\x89PNG\0\0", 'binary'],
    ['just words', 'known format'],
    ["\n\n", 'empty'],
]);

it('takes in the references of a paper as it prints them, and what it cannot tell apart once that is mended', function () {
    $world = new World();
    $list = "1. Kolbe A, Haas M. Dim lamps in wards: a trial.\nJ Sleep. 2004;3(2):12-9.\n2. Lamps, and nothing else\n"
        .'3. Ito K. Visors for nurses of the night. J Sleep. 2005;4:1. doi:10.71111/abc';
    $this->actingAs($world->people['specialist'])->post("/reviews/{$world->review->id}/deliveries", [
        'files' => [UploadedFile::fake()->createWithContent('references.txt', $list)],
        'source_name' => 'References of Aster 2019',
        'searched_on' => '2026-11-01',
    ])->assertSessionHasNoErrors();
    $delivery = $world->review->deliveries()->sole();
    expect([$delivery->state, $delivery->format, $delivery->kept, $delivery->rejected])->toBe(['done', 'printed', 2, 1])
        ->and($world->review->publications()->orderBy('year')->get(['first_author', 'title', 'journal', 'place', 'doi'])->toArray())->toBe([
            ['first_author' => 'kolbe', 'title' => 'Dim lamps in wards: a trial', 'journal' => 'J Sleep', 'place' => '3(2):12–9', 'doi' => ''],
            ['first_author' => 'ito', 'title' => 'Visors for nurses of the night', 'journal' => 'J Sleep', 'place' => '4:1', 'doi' => '10.71111/abc'],
        ]);
    $page = "/reviews/{$world->review->id}/deliveries/{$delivery->id}";
    $this->get($page)->assertOk()->assertSee('references as papers print them')->assertSee('Where the title begins and ends cannot be told');
    $rejection = $delivery->rejections()->sole();
    $this->post("{$page}/rejections/{$rejection->id}", ['text' => 'Ude M. Lamps, and nothing else. J Sleep. 2006;5:7.'])->assertSessionHasNoErrors();
    expect($world->review->publications()->where('first_author', 'ude')->value('title'))->toBe('Lamps, and nothing else');
});

it('joins what is here beyond doubt and nothing else', function (array $first, array $second, int $publications) {
    $world = new World();
    $world->deliver([$first]);
    $world->deliver([$second], 'Elsewhere');
    expect($world->review->publications()->count())
        ->toBe($publications)
        ->and(Record::query()->count())
        ->toBe(2);
    expect(Item::query()->count())->toBe($publications);
})->with([
    'same DOI' => [
        ['DO' => '10.71111/a', 'TI' => 'A bright lamp'],
        ['DO' => 'https://doi.org/10.71111/A', 'TI' => 'A bright lamp: a trial', 'SP' => ''],
        1,
    ],
    'same DOI, other title and page' => [
        ['DO' => '10.71111/a', 'TI' => 'A bright lamp'],
        ['DO' => '10.71111/a', 'TI' => 'Dark corridors'],
        2,
    ],
    'same title without a place' => [['TI' => 'A lamp', 'VL' => '', 'SP' => ''], ['TI' => 'A lamp', 'N1' => 'x'], 2],
    'same title, year, author' => [['TI' => 'A lamp'], ['TI' => 'A LAMP.'], 1],
    'another year' => [['TI' => 'A lamp'], ['TI' => 'A lamp', 'PY' => '2021', 'VL' => '13'], 2],
    'erratum' => [['TI' => 'A lamp', 'DO' => '10.71111/a'], ['TI' => 'Erratum to: A lamp', 'DO' => '10.71111/a'], 2],
    'another author' => [['TI' => 'A lamp'], ['TI' => 'A lamp', 'AU' => 'Strand, B'], 2],
    'same words, other DOI' => [
        ['TI' => 'Editorial', 'DO' => '10.71111/a'],
        ['TI' => 'Editorial', 'DO' => '10.71111/b'],
        2,
    ],
    'no year' => [['TI' => 'A lamp', 'PY' => ''], ['TI' => 'A lamp', 'PY' => '', 'N1' => 'x'], 2],
]);

it('finds the same publications whatever the order and the batches', function () {
    $records = [
        ['TI' => 'X'],
        ['TI' => 'X', 'DO' => '10.71111/x', 'N1' => 'first'],
        ['TI' => 'X', 'DO' => '10.71111/x'],
        ['TI' => 'Y'],
        ['TI' => 'Y', 'N1' => 'again'],
    ];
    foreach ([[0, 1, 2, 3, 4], [2, 1, 0, 4, 3], [1, 4, 0, 3, 2]] as $order) {
        $world = $this->app->make(World::class);
        foreach ($order as $i) {
            $world->deliver([$records[$i]]);
        }
        expect($world->review->publications()->orderBy('records_count')->pluck('records_count')->all())->toBe([2, 3]);
        expect((int) DB::table('tallies')->where('review_id', $world->review->id)->sum('n'))->toBe(2);
        DB::table('memberships')->delete();
        DB::statement('UPDATE users SET email = id');
    }
});

it('completes a publication with what later records know', function () {
    $world = new World();
    $world->deliver([['TI' => 'A lamp', 'AB' => '']]);
    $world->deliver([['TI' => 'A lamp', 'AB' => 'Luminous', 'DO' => '10.71111/l']]);
    expect($world->publication('A lamp')->only('abstract', 'doi', 'records_count'))->toBe([
        'abstract' => 'Luminous',
        'doi' => '10.71111/l',
        'records_count' => 2,
    ]);
    $this->actingAs($world->people['anna'])
        ->get("/reviews/{$world->review->id}/records?q=luminous")
        ->assertSee('A lamp');
});

it('separates a record and puts it back', function () {
    $world = new World();
    $world->deliver([['TI' => 'A lamp']]);
    $world->deliver([['TI' => 'A lamp', 'N1' => 'second']]);
    $record = Record::query()->orderByDesc('id')->first();
    $review = "/reviews/{$world->review->id}";
    $this->actingAs($world->people['specialist'])
        ->post("{$review}/records/{$record->id}/separate")
        ->assertSessionHas('notice');
    expect($world->review->publications()->pluck('records_count')->all())->toBe([1, 1]);
    $world->deliver([['TI' => 'A lamp', 'N1' => 'third']]);
    expect($world->review->publications()->count())
        ->toBe(2)
        ->and($record->fresh()->publication->records_count)
        ->toBe(1);
    $this->post("{$review}/records/{$record->id}/rejoin")->assertSessionHas('notice');
    expect($world->review->publications()->sole()->records_count)->toBe(3);
    $this->post("{$review}/records/{$record->id}/rejoin")->assertSessionHas('problem');
});

it('loses and doubles nothing when the worker is killed on the way', function () {
    $world = new World();
    Queue::fake();
    $delivery = $world->deliver(array_map(fn (int $i): array => ['TI' => "Study {$i}"], range(1, 1200)));
    // the third batch dies in the middle of its transaction, after its rows were written
    $dies = true;
    Delivery::updating(function (Delivery $d) use (&$dies): void {
        if ($dies && $d->position > 1000) {
            throw new \RuntimeException('killed');
        }
    });
    expect(fn () => app()->call([new DeliverFile($delivery->id), 'handle']))->toThrow(\RuntimeException::class, 'killed');
    $dies = false;
    expect($delivery->refresh()->position)->toBe(1000);
    app()->call([new DeliverFile($delivery->id), 'handle']);
    expect($delivery->refresh()->only('state', 'kept', 'position'))->toBe([
        'state' => 'done',
        'kept' => 1200,
        'position' => 1200,
    ]);
    expect(Record::query()->distinct()->count('position'))->toBe(1200);
    // the same batch once more, as from a worker that did not notice
    app(TakeInRecords::class)->execute($delivery->id, 1000, [new Reference(PublicationType::Article, 'Twice')]);
    expect(Record::query()->count())->toBe(1200);
});

it('is cancelled on wish, keeps what it has, and goes on', function () {
    $world = new World();
    Queue::fake();
    $delivery = $world->deliver(array_map(fn (int $i): array => ['TI' => "Study {$i}"], range(1, 700)));
    $this->actingAs($world->people['ben'])
        ->postJson("/tasks/{$delivery->task_id}/cancel")
        ->assertForbidden();
    // while a worker has it in hand: at once for whoever asks, and for the worker after the step it is at
    $asked = false;
    Delivery::updated(function (Delivery $d) use (&$asked, $world, $delivery): void {
        if (! $asked && $d->position === 500) {
            $asked = true;
            $this->actingAs($world->people['specialist'])
                ->postJson("/tasks/{$delivery->task_id}/cancel")
                ->assertOk();
        }
    });
    app()->call([new DeliverFile($delivery->id), 'handle']);
    expect($asked)
        ->toBeTrue()
        ->and($delivery->refresh()->only('state', 'kept'))
        ->toBe(['state' => 'stopped', 'kept' => 500]);
    $this->actingAs($world->people['specialist'])
        ->getJson('/tasks')
        ->assertJsonPath('tasks.0.state', 'cancelled')
        ->assertJsonPath('tasks.0.message', 'Cancelled. 500 records that were taken in before are kept.');
    expect(\App\Models\LogEntry::query()->where('action', 'delivery.stopped')->count())->toBe(1);
    $this->post("/reviews/{$world->review->id}/deliveries/{$delivery->id}/go-on")->assertRedirect();
    app()->call([new DeliverFile($delivery->id), 'handle']);
    expect($delivery->refresh()->only('state', 'kept'))->toBe(['state' => 'done', 'kept' => 700]);
});

it('keeps records as delivered', function () {
    (new World())->deliver([[]]);
    expect(fn () => DB::transaction(fn () => DB::statement("UPDATE records SET source = 'x'")))->toThrow(
        \Illuminate\Database\QueryException::class,
        'as delivered',
    );
});

it('does not leave a delivery running when its work has failed for good', function () {
    $world = new World();
    Queue::fake();
    $delivery = $world->deliver([[]]);
    (new DeliverFile($delivery->id))->failed();
    expect($delivery->refresh()->state)->toBe('failed')->and($delivery->task->state->value)->toBe('failed');
    $this->actingAs($world->people['specialist'])
        ->get("/reviews/{$world->review->id}/deliveries/{$delivery->id}")
        ->assertSee('Go on from record 1');
});

it('takes in what has no title, shows it by what it has, and joins it with nothing for that', function () {
    $world = new World();
    $world->deliverText(
        "TY  - JOUR\nAU  - Kolbe, Anna\nPY  - 2004\nJO  - Nocturnal Medicine\nER  - \nTY  - JOUR\nAU  - Kolbe, Anna\nPY  - 2004\nJO  - Nocturnal Medicine\nER  - \nTY  - JOUR\nAU  - Strand, Ben\nDO  - 10.71111/lamp\nER  - \n",
    );
    $titles = $world->review->publications()->orderBy('id')->pluck('title')->all();
    expect($titles)->toBe([
        '[Untitled: Kolbe A, 2004, Nocturnal Medicine]',
        '[Untitled: Kolbe A, 2004, Nocturnal Medicine]',
        '[Untitled: Strand B, 10.71111/lamp]',
    ]);
    $this->actingAs($world->people['lead'])
        ->get("/reviews/{$world->review->id}/records")
        ->assertOk()
        ->assertSee('[Untitled: Strand B, 10.71111/lamp]');
    expect($this->get("/reviews/{$world->review->id}/records/export/ris")->streamedContent())
        ->not->toContain('Untitled')
        ->toContain('10.71111/lamp');
});

it('reaches every rejected record, downloads them, and reads them again as they stand', function () {
    $world = new World();
    $delivery = $world->deliverText(
        "TY  - JOUR\nTI  - Kept\nER  - \n".
            implode(
                '',
                array_map(fn (int $i): string => "TY  - JOUR\nPY  - ".(1600 + $i)."\nER  - \n", range(1, 130)),
            ),
    );
    expect($delivery->rejected)->toBe(130);
    $path = "/reviews/{$world->review->id}/deliveries/{$delivery->id}";
    $this->actingAs($world->people['specialist'])
        ->get($path)
        ->assertOk()
        ->assertSee('PY  - 1601')
        ->assertSee('PY  - 1700')
        ->assertDontSee('PY  - 1701')
        ->assertSee('Download all 130');
    $this->get("{$path}?page=2")
        ->assertOk()
        ->assertSee('PY  - 1701')
        ->assertSee('PY  - 1730')
        ->assertDontSee('PY  - 1601');
    expect(
        substr_count(
            $this->get("{$path}/rejected")
                ->assertOk()
                ->streamedContent(),
            'TY  - JOUR',
        ),
    )->toBe(130);
    // as an older version left them: two that are read today
    foreach ([1601, 1730] as $year) {
        DB::table('rejections')
            ->where('text', 'like', "%{$year}%")
            ->update(['text' => "TY  - JOUR\nAU  - Kolbe, Anna\nPY  - {$year}\nER  - \n"]);
    }
    $this->post("{$path}/rejected")->assertRedirect();
    $task = Task::query()->where('kind', 'rejected')->sole();
    expect($task->only('state', 'message'))
        ->toBe(['state' => \App\Tasks\TaskState::Done, 'message' => 'Taken in: 2.'])
        ->and($delivery->refresh()->only('kept', 'rejected'))
        ->toBe(['kept' => 3, 'rejected' => 128]);
    expect($world->review->publications()->pluck('title')->all())->toContain('[Untitled: Kolbe A, 1601]');
    $this->actingAs($world->people['observer'])
        ->post("{$path}/rejected")
        ->assertForbidden();
});

it('gives each of several files its own source, and the common one where none is said', function () {
    $world = new World();
    $file = fn (string $title) => UploadedFile::fake()->createWithContent(
        "{$title}.ris",
        World::ris([['TI' => $title]]),
    );
    $this->actingAs($world->people['specialist'])
        ->post("/reviews/{$world->review->id}/deliveries", [
            'files' => [$file('One'), $file('Two'), $file('Three')],
            'source_name' => 'Tern Abstracts',
            'searched_on' => '2026-11-01',
            'sources' => ['', 'Fen Register', ''],
            'kinds' => ['', 'register', 'website'],
        ])
        ->assertSessionHasNoErrors();
    expect(
        $world->review
            ->deliveries()
            ->orderBy('id')
            ->get()
            ->map(fn (Delivery $one): array => [$one->file_name, $one->source_name, $one->source_kind])
            ->all(),
    )->toBe([
        ['One.ris', 'Tern Abstracts', 'database'],
        ['Two.ris', 'Fen Register', 'register'],
        ['Three.ris', 'Tern Abstracts', 'website'],
    ]);
    $this->post("/reviews/{$world->review->id}/deliveries", [
        'files' => [$file('Four')],
        'source_name' => 'Tern',
        'searched_on' => '2026-11-01',
        'kinds' => ['nonsense'],
    ])->assertSessionHasErrors('kinds.0');
});
