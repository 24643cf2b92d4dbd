<?php

declare(strict_types=1);

namespace App\Sources;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Log;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\LeadFinder;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\QuotedPassage;

/**
 * Asks a service that was set up for it for answers from papers (docs/leads-service.md). What it quotes is looked up in
 * the paper and thrown away where it is not there; then, and where the service fails, our own engine is heard. It is
 * never firm by its own word: only where our engine reads the same value.
 *
 * @phpstan-type Told array{item: string, value: string, unit: string, quote: string, confidence: string, reason: string}
 */
final readonly class OutsideLeads implements LeadFinder
{
    private const LARGEST = 2_000_000;

    private const LONGEST = 2000;

    /** What each confidence is worth; see Lead. */
    private const SCORES = ['firm' => 2.5, 'fair' => 2.0, 'check' => 1.0];

    private const AGREED = 3.2;

    public function __construct(
        private string $url,
        public string $name,
        private int $timeout,
        private LeadEngine $own,
    ) {
    }

    public function leads(array $items, Passages $paper): array
    {
        $own = $this->own->leads($items, $paper);
        try {
            $told = $this->told($items, $paper);
        } catch (SourceFailed $failed) {
            Log::warning("Leads: {$failed->getMessage()} Our own engine answers alone.");

            return $own;
        }
        $leads = $own;
        foreach ($items as $item) {
            $lead = isset($told[$item->id]) ? $this->believed($told[$item->id], $paper, $own[$item->id] ?? null) : null;
            if ($lead !== null) {
                $leads[$item->id] = $lead;
            }
        }

        return $leads;
    }

    /** @param  Told  $told */
    private function believed(array $told, Passages $paper, ?Lead $own): ?Lead
    {
        $passage = QuotedPassage::in($paper, $told['quote']);
        if ($passage === null || $told['value'] === '') {
            return null;
        }
        $isAgreed = $own !== null && mb_strtolower(trim($own->value)) === mb_strtolower(trim($told['value']));
        $score = self::SCORES[Confidence::tryFrom($told['confidence'])->value ?? Confidence::Check->value];

        return new Lead(
            $told['value'],
            $told['unit'],
            $passage->text,
            $passage->page,
            $isAgreed ? self::AGREED : $score,
            "{$this->name}: ".($told['reason'] === '' ? 'without a reason' : $told['reason']).
                ($isAgreed ? '; our own reading is the same' : ''),
        );
    }

    /**
     * What it says, believed or not.
     *
     * @param  list<AskedItem>  $items
     * @return array<string, Told> by item; what does not have the form is left out
     *
     * @throws SourceFailed
     */
    public function told(array $items, Passages $paper): array
    {
        $body = $this->answer($items, $paper);
        $read = strlen($body) > self::LARGEST ? null : json_decode($body, true, 16);
        if (! is_array($read) || ! is_array($read['leads'] ?? null)) {
            throw SourceFailed::unreadable($this->name, 'it is no list of leads');
        }
        $told = [];
        foreach ($read['leads'] as $one) {
            if (is_array($one) && is_string($one['item'] ?? null)) {
                $told[$one['item']] = self::texts($one);
            }
        }

        return $told;
    }

    /** @param  list<AskedItem>  $items */
    private function answer(array $items, Passages $paper): string
    {
        try {
            $answer = Http::timeout($this->timeout)
                ->connectTimeout(4)
                ->withOptions(['allow_redirects' => false])
                ->acceptJson()
                ->post($this->url, self::asked($items, $paper));
        } catch (ConnectionException) {
            throw SourceFailed::unreachable($this->name);
        }

        return $answer->successful() ? $answer->body() : throw SourceFailed::status($this->name, $answer->status());
    }

    /**
     * @param  list<AskedItem>  $items
     * @return array<string, int|list<array<string, int|string|list<string>>>>
     */
    private static function asked(array $items, Passages $paper): array
    {
        $pages = [];
        foreach ($paper->told() as $passage) {
            $pages[$passage->page][] = $passage->text;
        }

        return [
            'version' => 1,
            'items' => array_map(
                fn (AskedItem $item): array => [
                    'id' => $item->id,
                    'label' => $item->label,
                    'type' => $item->type->value,
                    'options' => $item->options,
                    'unit' => $item->unit,
                    'guidance' => $item->briefing->guidance,
                    'synonyms' => $item->briefing->synonyms,
                ],
                $items,
            ),
            'pages' => array_map(
                fn (int $page, array $texts): array => ['page' => $page, 'text' => implode("\n", $texts)],
                array_keys($pages),
                array_values($pages),
            ),
        ];
    }

    /**
     * @param  array<array-key, mixed>  $one
     * @return Told
     */
    private static function texts(array $one): array
    {
        $text = fn (string $key): string => is_string($one[$key] ?? null) || is_numeric($one[$key] ?? null)
            ? mb_substr(trim(mb_scrub((string) $one[$key])), 0, self::LONGEST)
            : '';

        return [
            'item' => $text('item'),
            'value' => $text('value'),
            'unit' => $text('unit'),
            'quote' => $text('quote'),
            'confidence' => $text('confidence'),
            'reason' => $text('reason'),
        ];
    }
}
