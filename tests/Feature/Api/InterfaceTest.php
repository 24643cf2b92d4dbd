<?php

namespace Tests\Feature\Api;

use App\Access\TokenAbility;
use App\Actions\Api\GiveToken;
use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\SaveAnswer;
use App\Actions\Report\OpenReport;
use App\Actions\Synthesis\KeepTable;
use App\Actions\Team\CreateReview;
use App\Models\AccessToken;
use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Decision;
use App\Models\FullText;
use App\Models\LogEntry;
use App\Queries\Api\Listings;
use App\Queries\Coding\AnswerSlot;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Validator;
use Tests\Feature\Coding\AtTheDesk;
use Tests\Feature\Synthesis\AtSynthesis;
use Tests\Feature\World;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\GivenAnswer;
use WaryHeron\Core\Synthesis\Table\TableDefinition;

/** A program of somebody's. */
final class Program
{
    public function __construct(public readonly World $world, private readonly string $token)
    {
    }

    public static function of(World $world, string $who, TokenAbility ...$abilities): self
    {
        $token = app(GiveToken::class)->execute(
            $world->people[$who],
            $world->review,
            "program of {$who}",
            $abilities === [] ? TokenAbility::cases() : array_values($abilities),
            now()->addDays(30),
        );

        return new self($world, $token);
    }

    public function __invoke(string $method, string $path, array $body = [], array $headers = []): TestResponse
    {
        auth()->forgetGuards();

        return test()->json($method, "/api/v1/reviews/{$this->world->review->id}{$path}", $body, [
            'Authorization' => "Bearer {$this->token}",
            ...$headers,
        ]);
    }
}

function screened(): World
{
    $world = (new World())->withCriteria();
    $world->deliver([
        ['TI' => 'Lamps on wards', 'AU' => 'Haldor, P', 'DO' => '10.5555/lamps'],
        ['TI' => 'Naps on nights', 'AU' => 'Lund, R'],
        ['TI' => 'Coffee at four', 'AU' => 'Varga, T'],
    ]);

    return $world;
}

it('gives a token once, keeps only its hash, and lets it do what it says until it ends or is taken back', function () {
    $world = screened();
    $this->showingWho()
        ->actingAs($world->people['anna'])
        ->post("/reviews/{$world->review->id}/interface/tokens", ['name' => 'nightly', 'abilities' => ['read'], 'days' => 30])
        ->assertSessionHas('token');
    $plain = session('token');
    $this->get("/reviews/{$world->review->id}/interface")->assertSee($plain);
    $this->get("/reviews/{$world->review->id}/interface")->assertDontSee($plain)->assertSeeText('nightly');
    expect(DB::table('access_tokens')->value('token'))->toBe(hash('sha256', $plain))
        ->and(LogEntry::query()->where('action', 'token.given')->sole()->details)->not->toContain($plain);

    $program = new Program($world, $plain);
    $program('GET', '')->assertOk()->assertJsonPath('title', 'Lamps at night');
    $program('POST', '/items/'.$world->item()->id.'/decision', ['verdict' => 'include'])
        ->assertForbidden()
        ->assertHeader('Content-Type', 'application/problem+json')
        ->assertJsonPath('detail', 'This token may not decide.');
    expect(AccessToken::query()->sole()->last_used_at)->not->toBeNull();
    $this->travel(31)->days();
    $program('GET', '')->assertUnauthorized()->assertJsonPath('title', 'No valid token');
    $this->travelBack();
    $this->actingAs($world->people['anna'])->delete("/reviews/{$world->review->id}/interface/tokens/".AccessToken::query()->sole()->id);
    $program('GET', '')->assertUnauthorized();
});

it('opens nothing to a cookie, to another review, to whoever left the team, and shows one’s own tokens only', function () {
    $world = screened();
    $other = app(CreateReview::class)->execute($world->people['lead'], 'Lamps by day', 'Do they?');
    $program = Program::of($world, 'lead');
    $this->actingAs($world->people['lead'])->getJson("/api/v1/reviews/{$world->review->id}")->assertUnauthorized();
    (new Program($world, 'heron_made-up'))('GET', '')->assertUnauthorized();
    $program('GET', '/criteria')->assertOk();
    auth()->forgetGuards();
    $token = ['Authorization' => 'Bearer '.(fn (): string => $this->token)->call($program)];
    $this->getJson("/api/v1/reviews/{$other->id}/criteria", $token)->assertNotFound()->assertJsonPath('status', 404);

    $program = Program::of($world, 'anna');
    $this->actingAs($world->people['observer'])->get("/reviews/{$world->review->id}/interface")->assertDontSeeText('program of anna');
    $token = AccessToken::query()->where('name', 'program of anna')->sole();
    $this->delete("/reviews/{$world->review->id}/interface/tokens/{$token->id}")->assertNotFound();
    $this->actingAs($world->people['lead'])->get("/reviews/{$world->review->id}/interface")->assertSeeText('program of anna');
    DB::table('memberships')->where('user_id', $world->people['anna']->id)->delete();
    $program('GET', '/criteria')->assertNotFound();
});

it('may never do more than its person', function () {
    $world = screened();
    $program = Program::of($world, 'observer');
    $program('GET', '/publications')->assertOk()->assertJsonCount(3, 'data');
    $program('POST', '/items/'.$world->item()->id.'/decision', ['verdict' => 'include'])->assertForbidden();
    $program('POST', '/deliveries', ['source_name' => 'Alder', 'searched_on' => '2026-01-01'])->assertForbidden();
});

it('goes through a list page by page, each row once', function (int $limit) {
    $program = Program::of(screened(), 'lead');
    $seen = [];
    $path = "/publications?limit={$limit}";
    do {
        $page = $program('GET', $path)->assertOk();
        array_push($seen, ...array_column($page->json('data'), 'title'));
        $next = $page->json('next');
        expect($next === null || str_contains($page->headers->get('Link'), $next))->toBeTrue();
        $path = $next === null ? '' : substr($next, strpos($next, '/publications'));
    } while ($next !== null);
    expect($seen)->toEqualCanonicalizing(['Lamps on wards', 'Naps on nights', 'Coffee at four']);
})->with([1, 2, 3, 500]);

it('says what is wrong with a question, and answers it by filters that it knows', function () {
    $world = screened();
    $program = Program::of($world, 'lead');
    $program('GET', '/items?stage=1')->assertStatus(400)->assertJsonPath(
        'detail',
        fn (string $says): bool => str_contains($says, 'stage_id'),
    );
    $program('GET', '/items?after=here')->assertStatus(400);
    $program('GET', '/nothing')->assertNotFound()->assertHeader('Content-Type', 'application/problem+json');
    $program('GET', '/items?state=waiting')->assertJsonCount(3, 'data');
    $program('GET', '/items?state=included')->assertJsonCount(0, 'data');
    $program('GET', '/items/'.str_repeat('0', 26))->assertNotFound();
    $program('PATCH', '/items')->assertStatus(405);
});

it('sends nothing again that has not changed', function () {
    $program = Program::of(screened(), 'lead');
    $etag = $program('GET', '/criteria')->headers->get('ETag');
    $program('GET', '/criteria', [], ['If-None-Match' => $etag])->assertStatus(304)->assertNoContent(304);
    DB::table('criteria')->limit(1)->update(['reason' => 'Another']);
    $program('GET', '/criteria', [], ['If-None-Match' => $etag])->assertOk();
});

it('decides and takes back in the name of its person, and hides from it what is hidden from them', function () {
    $world = screened();
    $item = $world->item();
    $one = Program::of($world, 'anna');
    $two = Program::of($world, 'ben');
    $one('POST', "/items/{$item->id}/decision", ['verdict' => 'include', 'note' => 'fits'])
        ->assertOk()
        ->assertJsonPath('item.mine', 'include')
        ->assertJsonPath('item.state', 'waiting');
    // blinded: the other sees neither the decision nor its trace
    $two('GET', '/decisions')->assertJsonCount(0, 'data');
    expect(json_encode($two('GET', '/log')->json()))->not->toContain('include');
    $one('GET', '/decisions')->assertJsonCount(1, 'data');
    $one('DELETE', "/items/{$item->id}/decision")->assertNoContent();
    $one('POST', "/items/{$item->id}/decision", ['verdict' => 'exclude'])->assertStatus(422)->assertJsonPath(
        'errors.criterion.0',
        fn ($says) => $says !== '',
    );
    $one('POST', "/items/{$item->id}/decision", ['verdict' => 'include']);
    $two('POST', "/items/{$item->id}/decision", ['verdict' => 'include'])->assertJsonPath('item.state', 'included');
    $two('GET', "/decisions?item_id={$item->id}")->assertJsonCount(2, 'data');
    expect(Decision::query()->whereNull('superseded_at')->whereNotNull('verdict')->count())->toBe(2);
});

it('carries a request out once, however often it is sent with its key', function () {
    $world = screened();
    $program = Program::of($world, 'anna');
    $path = '/items/'.$world->item()->id.'/decision';
    $key = ['Idempotency-Key' => 'one'];
    $first = $program('POST', $path, ['verdict' => 'include'], $key)->assertOk();
    $again = $program('POST', $path, ['verdict' => 'include'], $key)->assertOk()->assertHeader('Idempotency-Replayed', 'true');
    expect($again->json())->toBe($first->json())->and(Decision::query()->count())->toBe(1);
    $program('POST', $path, ['verdict' => 'unsure'], $key)->assertStatus(422);
    // what failed may be tried again
    $program('POST', $path, ['verdict' => 'perhaps'], ['Idempotency-Key' => 'two'])->assertStatus(422);
    $program('POST', $path, ['verdict' => 'unsure'], ['Idempotency-Key' => 'two'])->assertOk();
    $program('POST', $path, ['verdict' => 'unsure'], ['Idempotency-Key' => "no\u{20AC}"])->assertStatus(422);
});

it('delivers a file, once', function () {
    $world = screened();
    $program = Program::of($world, 'specialist');
    $file = fn (): UploadedFile => UploadedFile::fake()->createWithContent('new.ris', World::ris([['TI' => 'Windows on corridors']]));
    $body = ['source_name' => 'Alder Index', 'searched_on' => '2026-01-05'];
    $answer = $program('POST', '/deliveries', [...$body, 'file' => $file()])->assertStatus(202);
    expect($answer->headers->get('Location'))->toContain($answer->json('id'));
    $program('GET', '/deliveries/'.$answer->json('id'))->assertJsonPath('kept', 1)->assertJsonPath('new', 1);
    $program('POST', '/deliveries', [...$body, 'file' => $file()])->assertStatus(409)->assertJsonPath('title', 'Not as things stand');
    $nothing = UploadedFile::fake()->createWithContent('x.bin', "\x00\x01");
    $program('POST', '/deliveries', [...$body, 'file' => $nothing])->assertStatus(422);
});

it('answers an item of the codebook, and says why where it cannot', function () {
    $world = AtTheDesk::world(AtTheDesk::asked('Number of participants'));
    [$item, $publication] = [AtTheDesk::itemOf($world, 'Number of participants'), $world->publication('Bed lamps')->id];
    $program = Program::of($world, 'coder');
    $path = "/publications/{$publication}/answers/{$item}";
    $program('PUT', $path, ['value' => '84'])->assertOk()->assertJsonPath('value', 84)->assertJsonPath('agreed', true);
    $program('PUT', $path, ['value' => 'many'])->assertStatus(422)->assertJsonPath('title', 'Not valid');
    $program('PUT', $path, ['value' => '90', 'seen' => ''])->assertStatus(409);
    $program('GET', "/answers?code_id={$item}")->assertJsonCount(1, 'data');
    expect(Answer::query()->whereNull('superseded_at')->sole()->value)->toBe(84);
});

it('is described as it is: every address, and every answer by its schema', function () {
    $described = [];
    $description = json_decode(json_encode($this->getJson('/api/v1/openapi.json')->assertOk()->json()));
    foreach ((array) $description->paths as $path => $operations) {
        foreach (array_keys((array) $operations) as $method) {
            $described[] = strtoupper($method)." api/v1{$path}";
        }
    }
    $there = [];
    foreach (Route::getRoutes() as $route) {
        foreach (str_starts_with($route->uri(), 'api/v1') ? array_diff($route->methods(), ['HEAD']) : [] as $method) {
            $names = str_contains($route->uri(), '{listing}') ? array_keys(Listings::all()) : [''];
            array_push(
                $there,
                ...array_map(fn (string $name): string => "{$method} ".str_replace('{listing}', $name, $route->uri()), $names),
            );
        }
    }
    expect($described)->toEqualCanonicalizing($there);

    $world = screened();
    $lead = $world->people['lead'];
    $world->decide('anna', $world->item(), 'include');
    app(OpenReport::class)->execute($lead, $world->review);
    $program = Program::of($world, 'lead');
    $validator = new Validator();
    $validator->resolver()->registerRaw($description, 'https://heron.example/openapi.json');
    foreach (array_keys(Listings::all()) as $name) {
        $page = json_decode($program('GET', "/{$name}")->assertOk()->getContent());
        $schema = 'https://heron.example/openapi.json#/components/schemas/'.str_replace(' ', '', ucwords(strtr($name, '-', ' ')));
        foreach ($page->data as $row) {
            $told = $validator->validate($row, $schema);
            expect($told->isValid())->toBeTrue("{$name}: ".json_encode($row).($told->isValid() ? '' : json_encode($told->error()->args())));
        }
    }
    $program('GET', '/numbers')->assertOk();
    $program('GET', '/report')->assertOk()->assertJsonPath('document.type', 'doc');
});

it('gives out a saved table and the map as they are shown, and the file of a copy, which is written down', function () {
    Storage::fake();
    $at = AtSynthesis::with('Aster', 'Birk');
    $world = $at->world;
    app(ChangeCodebook::class)->addAll($world->people['lead'], $world->review, [AtTheDesk::asked('Staff', CodeType::YesNo)]);
    $code = CodebookItem::query()->where('label', 'Staff')->sole();
    $slot = new AnswerSlot($world->publication('Lamps of Aster'), $code);
    app(SaveAnswer::class)->execute($world->people['coder'], $slot, new GivenAnswer('Yes'));
    $terms = TableDefinition::fromArray(['columns' => ["item:{$code->id}"]]);
    $table = app(KeepTable::class)->begin($world->people['coder'], $world->review, 'Staff', $terms);
    $program = Program::of($world, 'anna', TokenAbility::Read);

    expect(array_column($program('GET', '/tables')->assertOk()->json('data'), 'title'))->toBe(['Staff']);
    $rows = json_decode($program('GET', "/tables/{$table->id}/rows")->assertOk()->streamedContent(), true);
    expect($rows['head'])->toBe(['study', 'title', 'year', 'doi', 'Staff'])
        ->and(array_column($rows['rows'], 4, 1))->toBe(['Lamps of Aster' => 'Yes', 'Lamps of Birk' => '']);
    $map = $program('GET', "/map?rows={$code->id}")->assertOk()->json();
    expect([$map['studies'], $map['rows'][0]])->toBe([1, ['name' => 'Yes', 'studies' => 1]]);
    $program('GET', '/map?rows='.str_repeat('0', 26))->assertUnprocessable()->assertJsonPath(
        'errors.rows.0',
        fn (string $why): bool => str_contains($why, 'codebook'),
    );

    $copy = FullText::query()->create([
        'review_id' => $world->review->id, 'publication_id' => $world->publication('Lamps of Aster')->id, 'hash' => hash(
            'sha256',
            '%PDF-1.4',
        ),
        'name' => 'aster.pdf', 'bytes' => 8, 'origin' => 'person', 'state' => 'read', 'user_id' => $world->people['lead']->id,
    ]);
    Storage::put($copy->path(), '%PDF-1.4');
    $file = $program('GET', "/full-texts/{$copy->id}/file")->assertOk();
    expect(hash('sha256', $file->streamedContent()))->toBe($copy->hash)->and($file->headers->get('Content-Disposition'))->toStartWith('attachment');
    $copy->update(['taken_out_at' => now()]);
    $program('GET', "/full-texts/{$copy->id}/file")->assertNotFound();
    $other = app(CreateReview::class)->execute($world->people['lead'], 'Lamps by day', 'Do they?');
    $copy->update(['taken_out_at' => null, 'review_id' => $other->id, 'publication_id' => null]);
    $program('GET', "/full-texts/{$copy->id}/file")->assertNotFound();
});
