<?php

declare(strict_types=1);

// Ranks the invented studies by 60 judged questions, beside PostgreSQL's ranking: scouting-judged.php DSN [STUDIES].
// One JSON line for each way of ranking, and with --each one for each question.

require __DIR__.'/../vendor/autoload.php';

use Bench\Judged\Gain;
use Bench\Judged\Judge;
use Bench\Judged\PlainRanking;
use WaryHeron\Core\Scouting\Finding;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Scout;
use WaryHeron\Standins\Corpus\StudyWriter;

$given = array_values(array_filter(array_slice($argv, 1), fn (string $one): bool => $one !== '--each'));
[$dsn, $size] = [$given[0] ?? '', (int) ($given[1] ?? 4000)];
$questions = json_decode((string) file_get_contents(__DIR__.'/Judged/questions.json'), true, 512, JSON_THROW_ON_ERROR);
$writer = new StudyWriter('scouting');
$studies = array_map($writer->study(...), range(1, $size));
$plain = new PlainRanking(new PDO($dsn), $studies);
$records = array_map(
    fn ($one): ReadRecord => ReadRecord::of((string) $one->number, $one->title, $one->abstract),
    $studies,
);
$scout = new Scout();
$gains = [];
foreach ($questions as $asked) {
    $grades = [];
    foreach ($studies as $study) {
        $grades[$study->number] = Judge::grade($asked, $study);
    }
    $found = $scout->findings($scout->question($asked['question']), $records);
    $orders = ['scouting' => array_map(fn (Finding $one): int => (int) $one->id, array_slice($found, 0, 10))];
    foreach (array_keys(PlainRanking::WAYS) as $way) {
        $orders[$way] = $plain->first($asked['question'], $way);
    }
    $each = ['question' => $asked['question'], 'answer' => count(array_filter($grades, fn (int $one): bool => $one > 1))];
    foreach ($orders as $way => $order) {
        $gains[$way][] = $gain = Gain::of($order, $grades);
        $each[$way] = [$gain->ndcg, $gain->precision];
    }
    in_array('--each', $argv, true) && print json_encode($each + ['first' => $orders['scouting']], JSON_THROW_ON_ERROR)."\n";
}
foreach ($gains as $way => $of) {
    echo json_encode(['what' => $way, 'questions' => count($of), 'studies' => $size] + Gain::means($of), JSON_THROW_ON_ERROR), "\n";
}
