<?php

namespace Tests\Feature\Shared;

use App\Actions\Scouting\AskPlainly;
use App\Actions\Synthesis\ChangeOutcomes;
use App\Actions\Synthesis\KeepAnalysis;
use App\Models\CodebookItem;
use App\Models\Letter;
use Illuminate\Routing\Route as RoutingRoute;
use Illuminate\Support\Facades\Route;
use Tests\Feature\World;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Synthesis\Choice\AnalysisTerms;
use WaryHeron\Core\Synthesis\Report\OutcomeKind;

/** Routes whose whole right is being a guest, being signed in, or holding the link. */
const WITHOUT_POLICY = [
    'sign-in',
    'sign-out',
    'sign-in.second',
    'institution',
    'institution.back',
    'who-again',
    'second-factor',
    'second-factor.codes',
    'password.forgotten',
    'password.reset',
    'password.update',
    'invitations.show',
    'invitations.accept',
    'reading',
    'reading.searches',
    'reading.decisions',
    'reading.paper',
    'reading.unlock',
    'reading.comment',
    'home',
    'account',
    'account.change',
    'account.notices',
    'account.data',
    'account.remove',
    'sessions.end',
    'notices',
    'notices.read',
    'tasks',
    'tasks.seen',
    'api.description',
    'ready',
    'metrics',
];

// second methods at addresses that are named above
const UNNAMED_WITHOUT_POLICY = ['sign-in', 'forgot-password', 'sign-in/second', 'account/who-again', 'account/second-factor'];

function heronRoutes(): array
{
    return array_filter(
        iterator_to_array(Route::getRoutes()),
        fn (RoutingRoute $route): bool => ! in_array($route->uri(), ['up', 'storage/{path}'], true),
    );
}

it('asks a policy on every route', function () {
    $open = [];
    foreach (heronRoutes() as $route) {
        $asks = array_filter($route->gatherMiddleware(), fn ($m): bool => is_string($m) && str_starts_with($m, 'can:'));
        // a list of routes that is kept gives names to those without
        $isUnnamed = str_starts_with($route->getName() ?? 'generated::', 'generated::');
        $knownOpen =
            in_array($route->getName(), WITHOUT_POLICY, true) ||
            ($isUnnamed && in_array($route->uri(), UNNAMED_WITHOUT_POLICY, true));
        if ($asks === [] && ! $knownOpen) {
            $open[] = implode('|', $route->methods()).' '.$route->uri();
        }
    }
    expect($open)->toBe([]);
    expect(count(heronRoutes()))->toBeGreaterThan(50);
});

it('lets no route catch the address of another', function () {
    $caught = [];
    foreach (heronRoutes() as $route) {
        $address = preg_replace_callback(
            '/\{(\w+)\??\}/',
            fn (array $name): string => explode('|', $route->wheres[$name[1]] ?? '01j0000000000000000000000x')[0],
            $route->uri(),
        );
        foreach (array_diff($route->methods(), ['HEAD']) as $method) {
            $hit = rescue(
                fn () => Route::getRoutes()->match(\Illuminate\Http\Request::create("/{$address}", $method))->uri(),
                report: false,
            );
            if ($hit !== null && $hit !== $route->uri()) {
                $caught[] = "{$method} {$route->uri()} by {$hit}";
            }
        }
    }
    expect($caught)->toBe([]);
});

it('hides everything in a review from outsiders, and sends guests to sign in', function () {
    $world = (new World())->withCriteria();
    $delivery = $world->deliver([['TI' => 'One'], ['TI' => 'Two']]);
    $code = CodebookItem::query()->create([
        'review_id' => $world->review->id,
        'position' => 1,
        'label' => 'Design',
        'type' => CodeType::Text,
    ]);
    $strategy = app(\App\Actions\Searches\ChangeStrategy::class)->create(
        $world->people['lead'],
        $world->review,
        'Lamps',
        ['alder'],
        ['Lamps'],
    );
    $version = app(\App\Actions\Searches\ChangeStrategy::class)->freeze($world->people['lead'], $strategy);
    $run = $strategy
        ->runs()
        ->create([
            'review_id' => $world->review->id,
            'version' => $version->number,
            'source' => 'alder',
            'source_title' => 'Alder Index',
            'dialect' => 'CQL',
            'query_sent' => 'lamp',
            'lines' => [],
            'total' => 0,
            'ran_by' => $world->people['lead']->id,
            'ran_at' => now(),
        ]);
    $known = $world->review
        ->knownItems()
        ->create(['title' => 'Lamps', 'added_by' => $world->people['lead']->id, 'added_at' => now()]);
    $task = $world->review->tasks()->first();
    $outcomes = app(ChangeOutcomes::class);
    [$lead, $review] = [$world->people['lead'], $world->review];
    $outcome = $outcomes->addOutcome($lead, $review, OutcomeKind::Events, 'Errors');
    $comparison = $outcomes->compare($lead, $review, $outcomes->addArm($lead, $review, 'lamp', 'intervention'), $outcomes->addArm($lead, $review, 'none', 'comparator'));
    $terms = AnalysisTerms::fromArray(['outcome' => $outcome->id, 'comparison' => $comparison->id, 'measure' => 'RR']);
    $ids = [
        'outcome' => $outcome->id,
        'comparison' => $comparison->id,
        'analysis' => app(KeepAnalysis::class)->begin($lead, $review, 'Errors', $terms)->id,
        'theme' => 'none',
        'passage' => 'none',
        'part' => 'none',
        'table' => 'none',
        'link' => 'none',
        'readerComment' => 'none',
        'question' => 'none',
        'file' => 'none',
        'claim' => str_repeat('0', 26),
        'row' => str_repeat('0', 26),
        'scouting' => app(AskPlainly::class)->ask($lead, $review, 'Do naps reduce errors?', [])->id,
        'thread' => str_repeat('0', 26),
        'token' => 'none',
        'draft' => 'none',
        'draftCriterion' => 'none',
        'draftItem' => 'none',
        'section' => 'none',
        'step' => 'papers',
        'paper' => 'none',
        'further' => 'none',
        'kind' => 'instrument',
        'picture' => 'forest',
        'review' => $world->review->id,
        'delivery' => $delivery->id,
        'publication' => $world->publication('One')->id,
        'item' => $world->item()->id,
        'record' => $world->review->records()->first()->id,
        'criterion' => $world->review->criteria()->first()->id,
        'membership' => $world->review->memberships()->first()->id,
        'code' => $code->id,
        'strategy' => $strategy->id,
        'run' => $run->id,
        'task' => $task->id,
        'format' => 'ris',
        'invitation' => 'none',
        'rejection' => 'none',
        'matching' => 'none',
        'join' => 'none',
        'recipe' => 'none',
        'stage' => $world->review->firstStage()->id,
        'shareOut' => 'none',
        'fullText' => 'none',
        'study' => 'none',
        'markList' => 'none',
        'source' => 'alder',
    ];
    $tried = 0;
    foreach (heronRoutes() as $route) {
        $ids['item'] = str_contains($route->uri(), 'known-items') ? $known->id : $world->item()->id;
        $ids['format'] = match (1) {
            preg_match('/synthesis/', $route->uri()) => 'svg',
            preg_match('/exports/', $route->uri()) => 'ris',
            preg_match('/report|translation/', $route->uri()) => 'txt',
            default => 'ris',
        };
        if (! str_starts_with($route->uri(), 'reviews/{review}') && ! str_starts_with($route->uri(), 'tasks/{task}')) {
            continue;
        }
        $path = '/'.preg_replace_callback('/\{(\w+)\??\}/', fn (array $m): string => $ids[$m[1]], $route->uri());
        foreach (array_diff($route->methods(), ['HEAD']) as $method) {
            $this->actingAs($world->people['outsider'])->json($method, $path)->assertNotFound();
            $tried++;
        }
    }
    expect($tried)->toBeGreaterThan(75);
    auth()->logout();
    $this->get("/reviews/{$world->review->id}/question")->assertRedirect('/sign-in');
});

it('does not reach from one review into another', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'One']]);
    $other = app(\App\Actions\Team\CreateReview::class)->execute($world->people['lead'], 'Another', '');
    $this->actingAs($world->people['lead']);
    foreach (
        [
            "publications/{$world->publication('One')->id}",
            "screening/desk/{$world->item()->id}",
            "deliveries/{$world->review->deliveries()->first()->id}",
            "coding/{$world->publication('One')->id}",
        ] as $path
    ) {
        $this->get("/reviews/{$other->id}/{$path}")->assertNotFound();
    }
    $strategy = app(\App\Actions\Searches\ChangeStrategy::class)->create(
        $world->people['lead'],
        $world->review,
        'Lamps',
        ['alder'],
        ['Lamps'],
    );
    $known = $world->review
        ->knownItems()
        ->create(['title' => 'Lamps', 'added_by' => $world->people['lead']->id, 'added_at' => now()]);
    $theirs = app(\App\Actions\Searches\ChangeStrategy::class)->create(
        $world->people['lead'],
        $other,
        'Lamps',
        ['alder'],
        ['Lamps'],
    );
    $this->get("/reviews/{$other->id}/searches/{$strategy->id}")->assertNotFound();
    $this->delete("/reviews/{$other->id}/searches/{$theirs->id}/known-items/{$known->id}")->assertNotFound();
    $code = CodebookItem::query()->create([
        'review_id' => $other->id,
        'position' => 1,
        'label' => 'Design',
        'type' => CodeType::Text,
    ]);
    $this->putJson("/reviews/{$other->id}/coding/{$world->publication('One')->id}/{$code->id}", [
        'value' => 'x',
    ])->assertNotFound();
});

it('lets each role do what it is for and no more', function (string $who, array $may) {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'One']]);
    $review = "/reviews/{$world->review->id}";
    $tries = [
        'manage' => fn () => $this->put("{$review}/question", ['title' => 'New']),
        'search' => fn () => $this->get("{$review}/searches/new"),
        'deliver' => fn () => $this->post("{$review}/deliveries", []),
        'screen' => fn () => $this->get("{$review}/screening/desk"),
        'settle' => fn () => $this->post("{$review}/screening/disagreements/{$world->item()->id}/settlement", []),
        'code' => fn () => $this->putJson(
            "{$review}/coding/{$world->publication('One')->id}/".
                CodebookItem::query()->create([
                    'review_id' => $world->review->id,
                    'position' => 1,
                    'label' => 'D',
                    'type' => CodeType::Text,
                ])->id,
            ['value' => 'x'],
        ),
    ];
    $this->actingAs($world->people[$who]);
    foreach ($tries as $ability => $try) {
        $status = $try()->getStatusCode();
        in_array($ability, $may, true)
            ? expect($status)->not->toBe(403, $ability)
            : expect($status)->toBe(403, $ability);
    }
    $this->get("{$review}/records")->assertOk();
})->with([
    ['lead', ['manage', 'search', 'deliver', 'screen', 'settle', 'code']],
    ['specialist', ['search', 'deliver']],
    ['anna', ['search', 'screen', 'settle', 'code']],
    ['coder', ['code']],
    ['observer', []],
]);

it('sends strict headers and guarded cookies', function () {
    config(['session.driver' => 'database']);
    $response = $this->get('/sign-in');
    $policy = $response->headers->get('Content-Security-Policy');
    expect($policy)->toContain("default-src 'none'")->toContain("script-src 'self'")->not->toContain('unsafe');
    $cookie = collect($response->headers->getCookies())->first(fn ($c): bool => $c->getName() === 'wary_heron_session');
    expect($response->headers->get('Permissions-Policy'))->toContain('camera=()')
        ->and($response->headers->get('Cross-Origin-Resource-Policy'))->toBe('same-origin');
    expect($response->headers->getCookies())->toHaveCount(1); // none that scripts could read
    expect($cookie->isHttpOnly())->toBeTrue()->and($cookie->getSameSite())->toBe('lax');
    expect($response->getContent())->not->toMatch('/<script(?![^>]*(src=|type="application\/json"))/');
});

it('shows the post room to everybody in a demo and elsewhere one’s own mail only', function () {
    $letter = Letter::query()->create(['recipient' => 'anna@heron.example', 'subject' => 'For Anna', 'body' => 'x']);
    $this->get('/post-room')->assertOk()->assertSee('For Anna');
    config(['heron.demo' => false]);
    $this->get('/post-room')->assertForbidden();
    $world = new World();
    $this->actingAs($world->people['ben'])->get('/post-room')->assertOk()->assertDontSee('For Anna');
    $this->get("/post-room/{$letter->id}")->assertForbidden();
    $this->actingAs($world->people['anna'])
        ->get("/post-room/{$letter->id}")
        ->assertOk();
});
