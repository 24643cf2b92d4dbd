<?php

declare(strict_types=1);

namespace Bench\Console;

use App\Actions\Report\GiveReadingLink;
use App\Actions\Report\KeepVersion;
use App\Actions\Report\TakeBlock;
use App\Models\Report;
use App\Models\Review;
use App\Models\User;
use Database\Demo\DemoReport;
use Illuminate\Console\Command;
use Illuminate\Support\Str;
use WaryHeron\Core\Report\Document\Node;

/** Makes the demo's report as long as a long report is: its own blocks until there are so many, and abstracts as prose. */
final class MakeLongReport extends Command
{
    protected $signature = 'heron:long-report {words=21000} {blocks=20}';

    protected $description = 'Make the demo’s report long, for load';

    public function handle(TakeBlock $take, KeepVersion $keep, GiveReadingLink $links): int
    {
        $lead = User::query()->where('email', 'ines.okafor@heron.example')->firstOrFail();
        $report = Report::query()->orderBy('id')->firstOrFail();
        $review = Review::query()->findOrFail($report->review_id);
        $written = $report->said['content'];
        $own = array_values(array_filter($written, fn (array $one): bool => $one['type'] === Node::LIVE_BLOCK));
        for ($i = count($own); $i < (int) $this->argument('blocks'); $i++) {
            $again = $own[$i % count($own)];
            $written[] = [...$again, 'attrs' => [...$again['attrs'], 'id' => strtolower((string) Str::ulid())]];
        }
        foreach ($written as $node) {
            if ($node['type'] === Node::LIVE_BLOCK) {
                $take->execute($lead, $report, $node['attrs']['id'], $node['attrs']['kind'], $node['attrs']['source']);
            }
        }
        DemoReport::replace($report, ['type' => 'doc', 'content' => [...$written, ...$this->prose($review)]]);
        $keep->execute($lead, $report, 'Long');
        $this->line("{$review->id} {$links->execute($lead, $review, 'Load', null, null)}");

        return self::SUCCESS;
    }

    /** @return list<Node> a heading every thousand words */
    private function prose(Review $review): array
    {
        $content = [];
        $words = $since = 0;
        foreach ($review->publications()->whereNotNull('abstract')->orderBy('id')->lazy() as $one) {
            $text = trim((string) preg_replace('/\s+/', ' ', (string) $one->abstract));
            if ($text === '') {
                continue;
            }
            if ($content === [] || $since > 1000) {
                $content[] = Node::heading('What else was read', 2, ['section' => '', 'items' => []]);
                $since = 0;
            }
            $content[] = Node::paragraph(Node::text($text));
            $words += str_word_count($text);
            $since += str_word_count($text);
            if ($words >= (int) $this->argument('words')) {
                break;
            }
        }

        return $content;
    }
}
