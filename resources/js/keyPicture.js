/** Draws what a device's camera reads, where there is anything of the kind. */
export default async function keyPicture() {
    const place = document.querySelector('[data-qr]');
    if (!place) return;
    const { encode } = await import('uqr');
    const { data, size } = encode(place.dataset.qr, { ecc: 'M', border: 4 });
    const path = data.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : []))).join('');
    const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
    svg.setAttribute('viewBox', `0 0 ${size} ${size}`);
    svg.setAttribute('shape-rendering', 'crispEdges');
    svg.append(document.createElementNS('http://www.w3.org/2000/svg', 'path'));
    svg.firstChild.setAttribute('d', path);
    place.append(svg);
}
