// What the tab keeps for a sitting (what was judged, what is picked) goes with the person. What the server has not got yet
// lies in the lasting store under their name, and stays.
export default () => {
    document.addEventListener('submit', (event) => {
        if (!event.defaultPrevented && 'signsOut' in event.target.dataset) sessionStorage.clear();
    });
};
