<?php

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\Browser;
use Tests\Browser\Server;

beforeEach(fn () => Server::demo());

/** At a study with a PDF of which nothing is coded in depth, at its first item. */
function codingDesk(string $who): Browser
{
    $at = Server::rows(<<<'SQL'
        SELECT f.review_id, f.publication_id FROM full_texts f
        JOIN leads l ON l.publication_id = f.publication_id JOIN codes c ON c.id = l.code_id
        JOIN standing_answers a ON a.publication_id = f.publication_id JOIN codes d ON d.id = a.code_id
        WHERE f.state = 'read' AND f.taken_out_at IS NULL AND l.ruling = 'waiting' AND c.label = 'Mean age'
            AND d.label = 'Design' AND a.value::text LIKE '%trial%'
            AND NOT EXISTS (SELECT FROM answers o WHERE o.publication_id = f.publication_id AND o.code_id = c.id)
        ORDER BY 2 LIMIT 1
        SQL)[0];

    return Browser::open()
        ->signIn("{$who}@heron.example", 'night-shift-demo')
        ->visit("/reviews/{$at['review_id']}/coding/{$at['publication_id']}")
        ->sees('page 1 of');
}

/** Marks words of the page as a mouse would. */
function mark(Browser $at, string $words): void
{
    $at->until(fn (): bool => $at->driver->executeScript(<<<'JS'
        const span = [...document.querySelectorAll('.textLayer span')].find((one) => one.textContent.includes(arguments[0]));
        if (!span) return false;
        const node = document.createTreeWalker(span, NodeFilter.SHOW_TEXT).nextNode();
        const from = node.data.indexOf(arguments[0]);
        if (from < 0) return false;
        const range = document.createRange();
        range.setStart(node, from);
        range.setEnd(node, from + arguments[0].length);
        getSelection().removeAllRanges();
        getSelection().addRange(range);
        return true;
        JS, [$words]) === true, "“{$words}” is not in the paper");
}

/** @return list<array{label: string, value: ?string, kind: string, evidence: string}> newest first */
function given(): array
{
    return Server::rows(<<<'SQL'
        SELECT c.label, a.value, a.kind, a.evidence FROM answers a JOIN codes c ON c.id = a.code_id
        WHERE a.superseded_at IS NULL ORDER BY a.created_at DESC, a.id DESC LIMIT 5
        SQL);
}

function item(Browser $at): string
{
    return $at->driver->executeScript('return document.querySelector(".code-asked h2").textContent');
}

it('codes by keyboard alone, with words of the paper as evidence, and shows them again after a reload', function () {
    $karin = codingDesk('karin.sollander');
    $karin->press('In depth');
    expect(item($karin))->toBe('Mean age');
    mark($karin, 'Abstract');
    $karin->keys('e')->until(fn (): bool => str_contains(given()[0]['evidence'], 'Abstract'), 'The evidence was not kept');
    $evidence = json_decode(given()[0]['evidence'], true)[0];
    expect([$evidence['page'], count($evidence['boxes']), $evidence['first'] >= 0])->toBe([1, 1, true]);
    $karin->keys('i', '44.5', WebDriverKeys::ENTER);
    $karin->until(fn (): bool => given()[0]['value'] === '44.5', 'The number was not kept');
    // the next one without an answer is there, and one of its options is a key away
    expect(item($karin))->toBe('Timing of the light');
    $karin->keys('2')->until(fn (): bool => given()[0]['value'] === '"first half of the night"', 'The option was not kept');
    $karin->keys('u')->until(fn (): bool => given()[0]['value'] === null, 'The option was not undone');
    $karin->keys('r')->until(fn (): bool => given()[0]['kind'] === 'not-reported', 'Not reported was not kept');
    $karin->keys('k')->until(fn (): bool => item($karin) === 'Mean age', 'K does not go back');
    $karin->driver->navigate()->refresh();
    $karin->sees('page 1 of')->sees('“Abstract”')->until(
        fn (): bool => $karin->driver->executeScript('return document.querySelectorAll(".paper-mark-current").length') === 1,
        'The evidence is not marked in the paper',
    );
    // as plain text it is the same paper, with the same marks
    $karin->keys('t')->until(
        fn (): bool => $karin->driver->executeScript('return CSS.highlights.get("current")?.size') === 1,
        'The evidence is not marked in the plain text',
    );
    expect($karin->complaints())->toBe([]);
});

it('keeps answers while the line is lost, and overwrites nobody’s unseen', function () {
    $karin = codingDesk('karin.sollander');
    $karin->press('In depth')->press('Risk of bias');
    $tunde = codingDesk('tunde.adeyinka');
    $tunde->press('In depth')->press('Risk of bias')->keys('3');
    $tunde->until(fn (): bool => given()[0]['value'] === '"high"', 'His answer was not kept');
    $karin->online(false);
    $karin->keys('1')->sees('not sent yet');
    $karin->online(true, latency: 1000); // what is offered may be taken at once, however long the line
    $karin->sees('Tunde Adeyinka answered “Risk of bias, all in all” meanwhile');
    expect(given()[0]['value'])->toBe('"high"');
    $karin->press('Use mine')->until(fn (): bool => given()[0]['value'] === '"low"', 'Her answer did not follow');
});

it('takes, corrects and turns down leads by key', function () {
    $karin = codingDesk('karin.sollander')->press('In depth');
    $label = item($karin);
    $ruled = fn (string $how): int => (int) Server::rows("SELECT count(*) AS n FROM leads WHERE ruling = '{$how}'")[0]['n'];
    $karin->sees('Accept')->keys('a')->until(fn (): bool => $ruled('accepted') === 1, 'The lead was not accepted');
    expect(given()[0]['label'])->toBe($label);
    $karin->press('Duration of each session')->sees('Turn down')
        ->keys('x')->until(fn (): bool => $ruled('rejected') === 1, 'Not turned down');
    expect($karin->complaints())->toBe([]);
});

it('marks a passage by key, names its theme, and finds it again across studies and from there', function () {
    $karin = codingDesk('karin.sollander');
    mark($karin, 'Introduction');
    $karin->keys('p')->sees('Themes, between commas');
    $box = $karin->driver->findElement(WebDriverBy::cssSelector('[list="theme-names"]'));
    $box->sendKeys('Setting the scene › Why nights'.WebDriverKeys::ENTER);
    $karin->until(
        fn (): bool => Server::rows("SELECT 1 FROM passages WHERE evidence->>'quote' LIKE '%Introduction%'") !== [],
        'The passage was not kept',
    );
    $review = Server::rows('SELECT review_id FROM passages LIMIT 1')[0]['review_id'];
    $karin->visit("/reviews/{$review}/coding/passages")->press('Why nights')->sees('Setting the scene › Why nights')
        ->sees('1 passage of 1 publication');
    $karin->driver->findElement(WebDriverBy::cssSelector('.passage .title-link'))->click();
    $karin->sees('page 1 of')->until(
        fn (): bool => $karin->driver->executeScript('return document.querySelectorAll(".paper-mark-passage").length') > 0,
        'The passage is not marked in the paper',
    );
    expect($karin->complaints())->toBe([]);
});

it('changes an answer where it stands in the table, by keyboard', function () {
    $review = Server::rows('SELECT review_id FROM answers ORDER BY id LIMIT 1')[0]['review_id'];
    $karin = Browser::open()->signIn('karin.sollander@heron.example', 'night-shift-demo')->visit("/reviews/{$review}/coding");
    $karin->sees('Coding table');
    $karin->driver->executeScript('document.querySelector("td[data-at=\"2\"]").focus()');
    $karin->sees('People analysed')->sees('Open at the Coding Desk');
    // Enter comes before the cell that is left has given way to this one
    $karin->keys(WebDriverKeys::ARROW_RIGHT)->sees('Light level')->keys(WebDriverKeys::ARROW_LEFT, WebDriverKeys::ENTER)->until(
        fn (): bool => $karin->driver->executeScript('return document.activeElement.matches(".coding-edit .input")') === true,
        'Enter does not lead into the box',
    );
    $karin->keys('77', WebDriverKeys::ENTER)->until(
        fn (): bool => Server::rows("SELECT 1 FROM standing_answers WHERE value = '77'") !== [],
        'The change was not kept',
    );
    $karin->sees('77 persons');
    expect($karin->complaints())->toBe([]);
});

it('settles by key what two coders answered differently, by one of them and by a third answer', function () {
    $review = Server::rows("SELECT id FROM reviews WHERE coded_by = 2 AND title LIKE 'Short naps%'")[0]['id'];
    $lead = Browser::open()->signIn('ines.okafor@heron.example', 'night-shift-demo')->visit("/reviews/{$review}/coding/differences");
    $settled = fn (): int => count(Server::rows(
        "SELECT 1 FROM answers WHERE review_id = '{$review}' AND how = 'settled' AND superseded_at IS NULL",
    ));
    $sides = fn (): array => $lead->driver->executeScript(
        'return [...document.querySelectorAll(".reconcile-side")].map((one) => one.querySelector(".reconcile-value").textContent)',
    );
    [$before, [$one, $other]] = [$settled(), $sides()];
    expect($one)->not->toBe($other);
    $lead->keys('2')->until(fn (): bool => $settled() === $before + 1, 'The second coder’s answer was not taken');
    $lead->until(fn (): bool => $sides() !== [$one, $other], 'It does not go on to what differs next');
    $lead->press('Not reported')->until(fn (): bool => $settled() === $before + 2, 'A third answer was not taken');
    $own = Server::rows("SELECT 1 FROM answers WHERE review_id = '{$review}' AND hand <> '' AND superseded_at IS NOT NULL");
    expect($own)->toBe([])->and($lead->complaints())->toBe([]);
});
