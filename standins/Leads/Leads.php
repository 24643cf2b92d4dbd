<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Leads;

/**
 * A service that proposes answers from papers, as eager as such services are: it takes the sentence that shares most
 * words with what is asked, and where none does, it makes one up.
 */
final class Leads
{
    /** @return array{int, string} status and content */
    public function answer(string $body): array
    {
        $asked = json_decode($body, true, 16);
        if (! is_array($asked) || ! is_array($asked['items'] ?? null) || ! is_array($asked['pages'] ?? null)) {
            return [400, '{"error":"Send items and pages."}'];
        }
        $sentences = [];
        foreach ($asked['pages'] as $page) {
            foreach (preg_split('/(?<=[.!?])\s+/u', (string) ($page['text'] ?? '')) ?: [] as $sentence) {
                $sentences[] = [(int) ($page['page'] ?? 1), trim($sentence)];
            }
        }
        $leads = array_map(fn (array $item): array => $this->lead($item, $sentences), array_values(array_filter($asked['items'], is_array(...))));

        return [200, json_encode(['leads' => $leads], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)];
    }

    /**
     * @param  array<array-key, mixed>  $item
     * @param  list<array{int, string}>  $sentences
     * @return array<string, mixed>
     */
    private function lead(array $item, array $sentences): array
    {
        $words = $this->words((string) ($item['label'] ?? '').' '.implode(' ', (array) ($item['synonyms'] ?? [])));
        [$best, $most] = [[1, ''], 0];
        foreach ($sentences as $sentence) {
            $shared = count(array_intersect($words, $this->words($sentence[1])));
            if ($shared > $most) {
                [$best, $most] = [$sentence, $shared];
            }
        }
        [$page, $quote] = $most > 0 ? $best : [1, 'The authors report this in so many words.'];
        $isNumber = ($item['type'] ?? '') === 'number';

        return [
            'item' => (string) ($item['id'] ?? ''),
            'value' => $isNumber && preg_match('/\d+(?:\.\d+)?/', $quote, $found) === 1 ? $found[0] : $this->option($item, $quote),
            'quote' => $quote,
            'page' => $page,
            'confidence' => 'firm',
            'reason' => $most > 0 ? "shares {$most} words with what is asked" : 'known from elsewhere',
        ];
    }

    /** @param  array<array-key, mixed>  $item */
    private function option(array $item, string $quote): string
    {
        foreach ((array) ($item['options'] ?? []) as $option) {
            if (is_string($option) && stripos($quote, $option) !== false) {
                return $option;
            }
        }

        return (string) (((array) ($item['options'] ?? []))[0] ?? $quote);
    }

    /** @return list<string> */
    private function words(string $text): array
    {
        preg_match_all('/\p{L}{4,}/u', mb_strtolower($text), $found);

        return $found[0];
    }
}
