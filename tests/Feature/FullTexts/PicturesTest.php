<?php

namespace Tests\Feature\FullTexts;

use App\Jobs\FullTexts\ReadPictures;
use App\Models\FullText;
use App\Models\Task;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Tests\Feature\World;
use WaryHeron\Standins\Locker\PdfFile;
use WaryHeron\Standins\Locker\PlainPdf;
use WaryHeron\Standins\Locker\ScannedPdf;

/** A scan that somebody brought, of two pages with these lines. */
function scanned(World $world, string ...$lines): FullText
{
    $pages = [];
    foreach ($lines as $i => $line) {
        // the lines between two pages
        array_push($pages, ...($i === 0 ? [] : array_fill(0, 22, [16, ''])), ...[[16, $line]]);
    }
    $scan = ScannedPdf::of(PlainPdf::of($pages));
    test()->actingAs($world->people['specialist'])
        ->post("/reviews/{$world->review->id}/full-texts/files", ['file' => UploadedFile::fake()->createWithContent('scan.pdf', $scan)])
        ->assertOk()
        ->assertJson(['assigned' => false, 'pictures' => true]);

    return FullText::query()->sole();
}

function pictures(World $world, FullText $file): void
{
    test()->post("/reviews/{$world->review->id}/full-texts/files/{$file->id}/pictures")->assertSessionHasNoErrors();
}

it('reads the words in the pictures of a scan, finds what it is a copy of, and keeps the file as it was brought', function () {
    $world = Sought::of(2);
    $file = scanned($world, 'Bright lamps and slow naps on ward bbb', 'In all, 64 nurses took part.');
    expect($file->state)->toBe('scan');
    pictures($world, $file);
    $file->refresh();

    expect($file->state)->toBe('read')
        ->and($file->text)->toContain('64 nurses took part')
        ->and($file->publication?->title)->toBe('Bright lamps and slow naps on ward bbb')
        ->and(DB::table('paper_pages')->where('full_text_id', $file->id)->orderBy('number')->pluck('number')->all())->toBe([1, 2])
        ->and(DB::table('paper_pages')->where('number', 2)->value('words'))->toContain('nurses')
        ->and(Task::query()->where('kind', 'pictures')->sole()->only('done', 'total'))->toBe(['done' => 2, 'total' => 2])
        ->and(Storage::exists("full-texts/{$file->id}.reading"))->toBeFalse();
    $address = "/reviews/{$world->review->id}/full-texts/files/{$file->id}";
    $sent = fn (string $address): string => hash('sha256', (string) file_get_contents($this->get($address)->assertOk()->baseResponse->getFile()->getPathname()));
    expect($sent("{$address}?as=brought"))->toBe($file->hash)
        ->and($sent($address))->toBe($file->read_hash);
});

it('says so where a picture holds no words, and does not try again', function () {
    $world = Sought::of(1);
    $file = scanned($world, '');
    pictures($world, $file);

    expect($file->refresh()->state)->toBe('scan')
        ->and($file->trouble())->toContain('no words were found');
    $this->post("/reviews/{$world->review->id}/full-texts/files/{$file->id}/pictures")->assertSessionHas('problem');
});

it('goes on with the next page after a slice, and leaves the file as it was when it is cancelled', function () {
    $world = Sought::of(1);
    $file = scanned($world, 'Bright lamps and slow naps', 'In all, 64 nurses took part.');
    Queue::fake();
    pictures($world, $file);
    $task = Task::query()->where('kind', 'pictures')->sole();
    $task->update(['cancel_requested_at' => now()]);
    app()->call([new ReadPictures($task->id, $file->id, 2), 'handle']);

    expect($file->refresh()->only('state', 'read_hash'))->toBe(['state' => 'scan', 'read_hash' => null]);
});

it('ends with the file as it was where it cannot be read, and reads none that has text or is too long', function () {
    $world = Sought::of(1);
    $broken = PdfFile::of([
        1 => '<< /Type /Catalog /Pages 2 0 R >>',
        2 => '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
        3 => '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /XObject << /Im 5 0 R >> >> /Contents 4 0 R >>',
        4 => "<< /Length 5 >>\nstream\n/Im D\nendstream",
        5 => "<< /Type /XObject /Subtype /Image /Width 90000 /Height 90000 /ColorSpace /DeviceGray /BitsPerComponent 8 /Length 3 >>\nstream\nabc\nendstream",
    ]);
    $bring = fn (string $name, string $content): FullText => FullText::query()->findOrFail(
        $this->actingAs($world->people['specialist'])
            ->post("/reviews/{$world->review->id}/full-texts/files", ['file' => UploadedFile::fake()->createWithContent($name, $content)])
            ->json('id'),
    );
    $file = $bring('broken.pdf', $broken);
    pictures($world, $file);
    expect($file->refresh()->state)->toBe('scan');

    $text = $bring('text.pdf', PlainPdf::of([[12, str_repeat('Nurses took part in this study of lamps at night. ', 20)]]));
    $this->post("/reviews/{$world->review->id}/full-texts/files/{$text->id}/pictures")->assertSessionHas('problem');
    $text->update(['state' => 'scan', 'text' => '', 'pages' => 301]);
    $this->post("/reviews/{$world->review->id}/full-texts/files/{$text->id}/pictures")->assertSessionHas('problem');
    $this->actingAs($world->people['observer'])->post("/reviews/{$world->review->id}/full-texts/files/{$text->id}/pictures")->assertForbidden();
});

it('reads all scans that wait at one press', function () {
    $world = Sought::of(2);
    $file = scanned($world, 'Bright lamps and slow naps on ward aaa');
    $this->post("/reviews/{$world->review->id}/full-texts/pictures")->assertSessionHas('notice');

    expect($file->refresh()->state)->toBe('read');
    $this->get("/reviews/{$world->review->id}/full-texts/unassigned")->assertOk();
});
