<?php

namespace Tests\Feature\Report;

use App\Actions\Report\GiveReadingLink;
use App\Actions\Report\HearReader;
use App\Actions\Report\KeepVersion;
use App\Actions\Report\OpenReport;
use App\Models\FullText;
use App\Models\LogEntry;
use App\Models\ReaderComment;
use App\Models\ReadingLink;
use App\Models\Report;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Tests\Feature\Synthesis\AtSynthesis;
use Tests\Feature\World;

/** A review whose report is kept as “To the board”. */
function published(): AtSynthesis
{
    $at = AtSynthesis::with('Aster', 'Birk');
    $at->counts('Aster', 7, 86, 15, 85);
    $at->analysis();
    app(OpenReport::class)->execute($at->world->people['lead'], $at->world->review);
    app(KeepVersion::class)->execute($at->world->people['lead'], Report::query()->sole(), 'To the board');

    return $at;
}

/** @param  array<string, mixed>  $given */
function given(AtSynthesis $at, array $given = []): string
{
    $answer = test()->showingWho()
        ->actingAs($at->world->people['lead'])
        ->post("/reviews/{$at->world->review->id}/report/links", ['name' => 'The board', ...$given])
        ->assertSessionHasNoErrors();
    $address = (string) session('address');
    $answer->assertRedirect();
    Auth::logout();
    session()->flush();

    return (string) parse_url($address, PHP_URL_PATH);
}

function stranger(string $path): TestResponse
{
    return test()->get($path);
}

it('lets a stranger read the kept report, its searches and decisions, and nobody’s name', function () {
    $at = published();
    $path = given($at);
    stranger($path)->assertOk()
        ->assertSee('To the board')
        ->assertSee('How we searched')
        ->assertSee('Aster A 2020')
        ->assertDontSee('Sign out');
    stranger("{$path}/decisions")->assertOk()->assertSee('Lamps of Aster')->assertSee('included');
    stranger("{$path}/searches")->assertOk();
    foreach ($at->world->people as $person) {
        foreach (['', '/decisions', '/searches'] as $part) {
            stranger("{$path}{$part}")->assertDontSee($person->name)->assertDontSee($person->email);
        }
    }
    // opening is counted, and that is all
    expect(ReadingLink::query()->sole()->visits)->toBe(1 + count($at->world->people));
});

it('shows what was kept, whatever is written or found afterwards, until the next version', function () {
    $at = published();
    $path = given($at);
    stranger($path)->assertSee('0.46 (0.20–1.07)');
    $at->counts('Birk', 4, 40, 9, 41);
    Auth::logout();
    stranger($path)->assertDontSee('Birk A 2020</text>', false);
});

it('leads to nothing else, on any route', function () {
    $at = published();
    $path = given($at);
    stranger($path)->assertOk();
    $review = $at->world->review->id;
    $tried = 0;
    foreach (Route::getRoutes() as $route) {
        if (str_starts_with($route->uri(), 'reviews/{review}') && in_array('GET', $route->methods(), true)) {
            $url = '/'.preg_replace('/\{\w+\??\}/', 'none', str_replace('{review}', $review, $route->uri()));
            $answer = $this->get($url);
            expect($answer->isRedirect(route('sign-in')) || $answer->isNotFound())->toBeTrue($url);
            $tried++;
        }
    }
    expect($tried)->toBeGreaterThan(60);
    $token = basename($path);
    foreach (["/read/{$token}/papers", "/read/{$token}x", '/read/'.str_repeat('a', 40)] as $other) {
        stranger($other)->assertNotFound();
    }
});

it('asks for the password first, where there is one', function () {
    $at = published();
    $path = given($at, ['password' => 'lamps at night']);
    stranger($path)->assertOk()->assertSee('Password of this address')->assertDontSee('How we searched');
    stranger("{$path}/decisions")->assertNotFound();
    $this->post($path, ['password' => 'lamps by day'])->assertSessionHasErrors('password');
    stranger($path)->assertSee('Password of this address');
    $this->post($path, ['password' => 'lamps at night'])->assertRedirect($path);
    stranger($path)->assertSee('How we searched');
    stranger("{$path}/decisions")->assertOk();
    expect(ReadingLink::query()->sole()->getAttributes())->not->toContain('lamps at night');
});

it('ends by itself, or when it is taken back', function () {
    $at = published();
    [$ending, $back] = [given($at, ['days' => 3]), given($at, ['name' => 'A journal'])];
    $this->travel(4)->days();
    stranger($ending)->assertNotFound();
    stranger($back)->assertOk();
    $link = ReadingLink::query()->where('name', 'A journal')->sole();
    $url = "/reviews/{$at->world->review->id}/report/links";
    $this->actingAs($at->world->people['coder'])->post("{$url}/{$link->id}/revoke")->assertForbidden();
    $this->post($url, ['name' => 'x'])->assertForbidden();
    $this->actingAs($at->world->people['lead'])->post("{$url}/{$link->id}/revoke")->assertRedirect();
    $this->get($url)->assertSee('taken back')->assertDontSee(basename($back));
    Auth::logout();
    stranger($back)->assertNotFound();
});

it('gives the papers of included studies where the team says so, and no others', function () {
    $at = published();
    $add = function (string $title) use ($at): string {
        $hash = hash('sha256', $title);
        Storage::put(FullText::pathOf($hash), '%PDF-1.7 '.$title);
        $id = strtolower((string) Str::ulid());
        DB::table('full_texts')->insert([
            'id' => $id, 'review_id' => $at->world->review->id, 'publication_id' => $at->world->publication($title)->id, 'hash' => $hash,
            'name' => "{$title}.pdf", 'bytes' => 9, 'origin' => 'added', 'user_id' => $at->world->people['lead']->id,
        ]);

        return $id;
    };
    [$in, $out] = [$add('Lamps of Aster'), $add('Lamps of Birk')];
    DB::table('items')->where('publication_id', $at->world->publication('Lamps of Birk')->id)->update(['state' => 'excluded']);
    $without = given($at);
    stranger("{$without}/decisions")->assertOk()->assertDontSee('full text</a>', false);
    stranger("{$without}/papers/{$in}")->assertNotFound();
    $with = given($at, ['texts' => 1]);
    stranger("{$with}/decisions")->assertSee("{$with}/papers/{$in}")->assertDontSee($out);
    $paper = stranger("{$with}/papers/{$in}")->assertOk();
    expect($paper->headers->get('Content-Disposition'))->toStartWith('attachment')
        ->and($paper->streamedContent())->toContain('Lamps of Aster');
    stranger("{$with}/papers/{$out}")->assertNotFound();
    $locked = given($at, ['texts' => 1, 'password' => 'lamps at night']);
    stranger("{$locked}/papers/{$in}")->assertNotFound();
});

it('hears what readers say where the team wishes it, and shows it to the team and to who reads by the same address', function () {
    $at = published();
    $lead = $at->world->people['lead'];
    $links = "/reviews/{$at->world->review->id}/report/links";
    [$silent, $open, $other] = [given($at), given($at, ['name' => 'The ward', 'comments' => 1]), given($at, ['name' => 'A journal', 'comments' => 1])];
    $said = ['name' => 'Head nurse', 'about' => 'Background', 'body' => "Twelve hours?\n<script>alert(1)</script>"];
    stranger($silent)->assertDontSee('Send to the team');
    $this->post("{$silent}/comments", $said)->assertNotFound();
    stranger($open)->assertOk()->assertSee('Send to the team');

    $this->post("{$open}/comments", [...$said, 'body' => ' '])->assertSessionHasErrors('body');
    $this->post("{$open}/comments", [...$said, 'about' => 'No such heading'])->assertSessionHasErrors('about');
    $this->post("{$open}/comments", [...$said, 'body' => str_repeat('x', 4001)])->assertSessionHasErrors('body');
    expect(ReaderComment::query()->count())->toBe(0);
    $this->post("{$open}/comments", $said)->assertRedirect("{$open}#comments");
    stranger($open)->assertSee('Head nurse')->assertSee('on “Background”')->assertDontSee('<script>alert', false);
    stranger($other)->assertDontSee('Head nurse');

    expect($lead->notifications()->where('data->kind', 'reader')->sole()->data['text'])->toBe('A reader of “The ward” commented on the report')
        ->and(LogEntry::query()->where('action', 'text.heard')->sole()->user_id)->toBeNull();
    $comment = ReaderComment::query()->sole();
    $this->actingAs($at->world->people['coder'])->get($links)->assertSee('Twelve hours?')->assertSee('To the board');
    $seen = "/reviews/{$at->world->review->id}/report/comments/{$comment->id}/seen-to";
    $this->post($seen)->assertForbidden();
    $this->actingAs($lead)->post($seen)->assertRedirect();
    $this->post($seen)->assertRedirect();
    $this->get($links)->assertSee('Seen to');
    expect(LogEntry::query()->where('action', 'text.seen-to')->count())->toBe(1);
});

it('hears no more than fits, and nothing once a review is closed', function () {
    $at = published();
    $path = given($at, ['comments' => 1]);
    $said = ['name' => 'Head nurse', 'about' => '', 'body' => 'Again.'];
    $this->post("{$path}/comments", $said)->assertSessionHasNoErrors();
    $one = (array) DB::table('reader_comments')->sole();
    $rows = array_map(fn (int $n): array => [...$one, 'id' => sprintf('%026d', $n)], range(2, HearReader::MOST));
    DB::table('reader_comments')->insert($rows);
    $this->post("{$path}/comments", $said)->assertSessionHasErrors('body');
    expect(ReaderComment::query()->count())->toBe(HearReader::MOST);
    $at->world->review->update(['closed_at' => now()]);
    $this->post("{$path}/comments", $said)->assertNotFound();
    stranger($path)->assertSee('Again.')->assertDontSee('Send to the team');
});

it('tells who decided only where the team says so', function () {
    $at = published();
    $item = $at->world->publication('Lamps of Aster')->items()->firstOrFail();
    DB::table('decisions')->insert([
        'id' => strtolower((string) Str::ulid()), 'review_id' => $item->review_id, 'item_id' => $item->id, 'stage_id' => $item->stage_id,
        'user_id' => $at->world->people['coder']->id, 'verdict' => 'include', 'created_at' => now(),
    ]);
    $name = $at->world->people['coder']->name;
    $without = given($at);
    stranger("{$without}/decisions")->assertDontSee($name);
    $with = given($at, ['names' => 1]);
    stranger("{$with}/decisions")->assertSeeInOrder(['Decided by', 'Lamps of Aster', $name]);
});

it('tells decisions of each stage with their reasons, and none that is not opened yet', function () {
    $world = World::readingInFull()->withCriteria();
    $world->deliver([['TI' => 'Lamps of Aster'], ['TI' => 'Cotton blankets'], ['TI' => 'Naps of Birk']]);
    $reason = $world->review->criteria()->firstOrFail();
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, $world->item(0), 'include');
        $world->decide($who, $world->item(1), 'exclude');
    }
    $world->decide('anna', $world->item(2), 'exclude');
    app(OpenReport::class)->execute($world->people['lead'], $world->review);
    app(KeepVersion::class)->execute($world->people['lead'], Report::query()->sole(), 'To the board');
    $path = '/read/'.app(GiveReadingLink::class)->execute($world->people['lead'], $world->review, 'The board');
    $first = $world->review->firstStage();
    stranger("{$path}/decisions")->assertOk()->assertSeeInOrder(['Full text', '0', $first->name, '2'])->assertDontSee('Cotton');
    stranger("{$path}/decisions?stage={$first->id}")->assertOk()
        ->assertSeeInOrder(['Lamps of Aster', 'included', 'Cotton blankets', 'excluded', $reason->reason])
        ->assertDontSee('Naps of Birk');
    stranger("{$path}/decisions?stage=".str_repeat('0', 26))->assertRedirect();
});
