<?php

use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;
use Tests\Browser\Server;

beforeEach(fn () => Server::demo());

/** At the numbers of a study whose report has them in a table. */
function numbersOf(string $who, int $study = 0): Browser
{
    $at = Server::rows(
        "SELECT r.review_id, r.publication_id FROM standing_results r WHERE r.form = 'counts' ORDER BY 2 LIMIT 1 OFFSET {$study}",
    )[0];

    return Browser::open()
        ->signIn("{$who}@heron.example", 'night-shift-demo')
        ->visit("/reviews/{$at['review_id']}/coding/{$at['publication_id']}")
        ->sees('page 1 of')
        ->press('Numbers')
        ->sees('Near misses');
}

/** Presses on words of the paper, where they stand after others, as a mouse would. */
function pressWord(Browser $at, string $after, string $word): void
{
    $at->until(fn (): bool => $at->driver->executeScript(<<<'JS'
        const spans = [...document.querySelectorAll('.textLayer span')].filter((one) => one.childElementCount === 0);
        const from = spans.findIndex((one) => one.textContent.includes(arguments[0]));
        for (const span of from < 0 ? [] : spans.slice(from, from + 8)) {
            const node = document.createTreeWalker(span, NodeFilter.SHOW_TEXT).nextNode();
            const begin = span === spans[from] ? node.data.indexOf(arguments[0]) + arguments[0].length : 0;
            const found = node?.data.slice(begin).match(new RegExp(`(^|\\s)${arguments[1].replace('.', '\\.')}(\\s|$)`));
            if (!found) continue;
            span.scrollIntoView({ block: 'center' });
            const range = document.createRange();
            range.setStart(node, begin + found.index + found[1].length);
            range.setEnd(node, begin + found.index + found[1].length + arguments[1].length);
            const box = range.getBoundingClientRect();
            const target = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2);
            if (!span.closest('[data-page]').contains(target)) return false;
            target.dispatchEvent(new MouseEvent('click', { bubbles: true, clientX: box.x + box.width / 2, clientY: box.y + box.height / 2 }));
            return true;
        }
        return false;
        JS, [$after, $word]) === true, "“{$word}” after “{$after}” is not in the paper");
}

function putNumber(Browser $at, string $label, string $number): void
{
    $box = $at->driver->findElement(WebDriverBy::cssSelector(".numbers-grid [aria-label='{$label}']"));
    $box->click();
    $at->driver->executeScript('arguments[0].select()', [$box]);
    $box->sendKeys($number."\t"); // at once, since clearing it first would be kept as a change of its own
}

/** @return array<string, mixed> the newest result */
function newestResult(): array
{
    $row = Server::rows('SELECT form, given, evidence, withdrawn FROM results WHERE superseded_at IS NULL ORDER BY created_at DESC, id DESC LIMIT 1')[0];

    return [...$row, 'given' => json_decode($row['given'], true), 'evidence' => json_decode($row['evidence'], true)];
}

it('takes numbers from a table of the paper by pressing them, in several forms, up to the forest plot and back to the quote', function () {
    $karin = numbersOf('karin.sollander');
    $told = newestCounts($karin);
    // what stands is withdrawn, and taken again by pressing the cells of the table
    $karin->press('in the last week')->press('Withdraw it');
    $karin->until(fn (): bool => Server::rows('SELECT 1 FROM results WHERE withdrawn AND superseded_at IS NULL') !== [], 'It was not withdrawn');
    // the report follows to the plot without it, so that it comes as an added study
    $desk = $karin->path();
    $review = Server::rows('SELECT review_id FROM results ORDER BY id LIMIT 1')[0]['review_id'];
    $report = "/reviews/{$review}/report/text";
    $k = (int) Server::rows("SELECT shown->'facts'->>'studies' AS k FROM report_blocks WHERE shown->>'title' LIKE 'Near misses%'")[0]['k'];
    [$fewer, $more] = ['studies: '.$k.' → '.($k - 1), 'studies: '.($k - 1).' → '.$k];
    $karin->visit($report)->sees($fewer)->press('refresh all')->until(
        fn (): bool => $karin->driver->findElements(WebDriverBy::cssSelector('.live-changed')) === [],
        'the report does not follow',
    );
    $karin->visit($desk)->sees('page 1 of')->press('Numbers')->sees('Near misses')->press('+ take a result');
    pressWord($karin, 'People with a near miss', $told['e1']);
    $karin->until(fn (): bool => newestResult()['given'] === ['e1' => $told['e1']], 'The press took no number');
    pressWord($karin, 'People analysed', $told['n1']);
    $karin->until(fn (): bool => (newestResult()['given']['n1'] ?? '') === $told['n1'], 'The second was not taken');
    expect(newestResult()['evidence']['n1'][0]['page'])->toBeGreaterThan(0);
    // the rest is typed
    foreach (['with the event, dim or no light' => $told['e2'], 'of, dim or no light' => $told['n2']] as $label => $number) {
        putNumber($karin, $label, $number);
    }
    $karin->until(fn (): bool => count(newestResult()['given']) === 4, 'What was typed was not kept')->sees('relative risk');
    // undone by key, and kept again
    $karin->driver->executeScript('document.activeElement.blur()');
    $karin->keys('u')->until(fn (): bool => count(newestResult()['given']) === 3, 'It was not undone');
    putNumber($karin, 'of, dim or no light', $told['n2']);
    $karin->until(fn (): bool => count(newestResult()['given']) === 4, 'It was not kept again');
    // another form of another outcome, with what looks wrong said at once
    $karin->driver->findElements(WebDriverBy::xpath("//button[contains(., '+ take a result')]"))[1]->click();
    $karin->choose('Reported as', 'difference with interval');
    foreach (['difference' => '-0.8', 'interval from' => '-0.2', 'to' => '0.4'] as $label => $number) {
        putNumber($karin, $label, $number);
    }
    $karin->sees('The interval does not hold its estimate')->press('Withdraw it');
    // the plot has the study, and leads back to the words
    $karin->visit("/reviews/{$review}/synthesis/analyses")->press('Near misses in the night')->sees('Forest plot');
    $publication = Server::rows('SELECT publication_id FROM results ORDER BY created_at DESC LIMIT 1')[0]['publication_id'];
    $karin->visit($karin->path()."?study={$publication}")->sees('The words they rest on')->press('Open the paper there')
        ->sees('Reported as');
    $karin->until(
        fn (): bool => $karin->driver->executeScript('return document.querySelectorAll(".paper-mark-current").length') > 0,
        'The evidence is not marked in the paper',
    );
    $karin->visit($report)->sees($more)->sees('estimate: ');
    expect($karin->complaints())->toBe([]);
});

it('shows what somebody else made of a row meanwhile, keeps mine beside it, and uses it only if told to', function () {
    $karin = numbersOf('karin.sollander')->press('in the last week');
    $tunde = numbersOf('tunde.adeyinka')->press('in the last week');
    putNumber($tunde, 'of, dim or no light', '71');
    $tunde->until(fn (): bool => newestResult()['given']['n2'] === '71', 'His number was not kept');
    $karin->online(true, latency: 1000);
    putNumber($karin, 'of, dim or no light', '72');
    $karin->sees('Tunde Adeyinka changed this row meanwhile');
    $box = $karin->driver->findElement(WebDriverBy::cssSelector(".numbers-grid [aria-label='of, dim or no light']"));
    expect([$box->getDomProperty('value'), newestResult()['given']['n2']])->toBe(['71', '71']);
    $karin->press('Use mine')->until(fn (): bool => newestResult()['given']['n2'] === '72', 'Her number did not follow');
    // a row that is withdrawn meanwhile stays so; what was given of it becomes one of its own
    $tunde->driver->navigate()->refresh();
    $tunde->sees('Reported as')->press('Withdraw it');
    $tunde->until(fn (): bool => newestResult()['withdrawn'], 'It was not withdrawn');
    putNumber($karin, 'of, dim or no light', '73');
    $karin->sees('Tunde Adeyinka changed this row meanwhile')->press('Use mine');
    $karin->until(fn (): bool => (newestResult()['given']['n2'] ?? '') === '73' && ! newestResult()['withdrawn'], 'Hers was not kept');
    expect(Server::rows('SELECT 1 FROM results WHERE withdrawn AND superseded_at IS NULL'))->toHaveCount(1);
});

/** @return array<string, string> the counts that stand, to be taken again */
function newestCounts(Browser $at): array
{
    $publication = basename((string) parse_url($at->driver->getCurrentURL(), PHP_URL_PATH));
    $rows = Server::rows("SELECT given FROM standing_results WHERE form = 'counts' AND publication_id = '{$publication}'");

    return json_decode($rows[0]['given'], true);
}

it('leaves a study out to see, undoes it by one key, and keeps terms only when told to', function () {
    $review = Server::rows('SELECT review_id FROM results ORDER BY id LIMIT 1')[0]['review_id'];
    $ines = Browser::open()
        ->signIn('ines.okafor@heron.example', 'night-shift-demo')
        ->visit("/reviews/{$review}/synthesis/analyses")
        ->press('Near misses in the night')
        ->sees('Forest plot');
    $ines->driver->findElements(WebDriverBy::cssSelector('a.plot-row'))[1]->click();
    $ines->sees('How it was found')->press('Leave it out, to see')->sees('Terms are being tried')->sees('(left out)');
    $ines->keys('u')->until(fn (): bool => ! str_contains($ines->text(), 'Terms are being tried'), 'U does not undo it');
    $ines->choose('Model', 'common effect')->press('Try these')->sees('Terms are being tried')->press('Keep them');
    $ines->sees('kept as it is shown')->seesNot('Terms are being tried');
    expect(Server::rows("SELECT count(*) AS n FROM analyses WHERE terms->>'by' = 'common'")[0]['n'])->toBe(1);
    // the map opens its cells
    $ines->press('Map');
    $ines->driver->findElements(WebDriverBy::cssSelector('.plot a'))[0]->click();
    $ines->sees('×');
    expect($ines->complaints())->toBe([]);
});
